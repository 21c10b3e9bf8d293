import { words } from './catalog'

/** So many of something, in words: "1 point", "12 points". */
export const counted = (n: number, what: 'points' | 'remarks'): string =>
  words(`count.${what}`, { n: String(n) }, n)
