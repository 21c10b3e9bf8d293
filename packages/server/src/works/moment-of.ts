import type { Moment } from '@rudlo/contract/fields'

const LONGEST_MS = 400 * 86_400_000

/**
 * When something was done, by the server's clock: a browser's may be years off, but it knows how long ago it was.
 * @param at by the browser's clock
 * @param now the browser's clock when it sent this; missing where it does not say
 * @param here the server's clock, in ms
 */
export function momentOf(at: Moment, now: Moment | undefined, here: number): Date {
  const ago = now === undefined ? 0 : Date.parse(now) - Date.parse(at)
  return new Date(here - (Number.isFinite(ago) ? Math.min(Math.max(0, ago), LONGEST_MS) : 0))
}
