/** Wrong tries that cost nothing. */
const FREE_TRIES = 4
const LONGEST_SECONDS = 120

/** Seconds an account waits after so many wrong passwords in a row: 0, 0, 0, 0, 2, 4, 8 … 120. */
export function waitAfter(wrongTries: number): number {
  if (wrongTries <= FREE_TRIES) return 0
  return Math.min(LONGEST_SECONDS, 2 ** (wrongTries - FREE_TRIES))
}
