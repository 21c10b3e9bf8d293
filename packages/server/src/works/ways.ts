/** How a command was made: by hand, or by one of the ways of writing in a pass. */
export const WAYS = /^(hand|hold|move|play to stop|shift|meet)$/
