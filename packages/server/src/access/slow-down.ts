/** Wrong tries that cost nothing. */
const FREE_TRIES = 4
/** From so many wrong tries on, a try has to wait so many seconds. */
const LATER = [
  { from: 100, seconds: 120 },
  { from: 24, seconds: 30 },
] as const
const SHORT_SECONDS = 8

/**
 * Seconds to wait after so many wrong passwords in a row: 0, 0, 0, 0, 1, 2, 4, 8, 8 … 30 … 120. Short for long, so that
 * nobody can keep somebody out by guessing; still a day gives hardly a few thousand tries.
 */
export function waitAfter(wrongTries: number): number {
  if (wrongTries <= FREE_TRIES) return 0
  const later = LATER.find(({ from }) => wrongTries >= from)
  return later?.seconds ?? Math.min(SHORT_SECONDS, 2 ** (wrongTries - FREE_TRIES - 1))
}
