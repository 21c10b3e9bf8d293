/** How the hand writes; see the table of passes in the design. In the order of how much they write. */
export const WAYS = ['follow', 'hold', 'meet', 'moved', 'shift', 'throughout'] as const
export type Way = (typeof WAYS)[number]
