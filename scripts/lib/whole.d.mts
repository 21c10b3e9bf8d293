/** Whether everything is tried, and not in turn. */
export const WHOLE: boolean
