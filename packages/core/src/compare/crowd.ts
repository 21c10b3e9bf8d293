import { compileLine, LineCursor, type Points } from '../envelope'
import type { Scale } from '../scale'

/** Where the middle half of many lines of one control lies, at some ticks, in travel 0…1. */
export interface MiddleHalf {
  readonly ticks: Float64Array
  /** A quarter of the lines are below this. */
  readonly low: Float64Array
  readonly middle: Float64Array
  /** A quarter of the lines are above this. */
  readonly high: Float64Array
}

/** A quantile of sorted numbers, between the two nearest (R. J. Hyndman and Y. Fan 1996, their definition 7). */
export function quantile(sorted: ArrayLike<number>, share: number): number {
  const place = (sorted.length - 1) * share
  const below = Math.floor(place)
  const from = sorted[below] ?? 0
  return from + ((sorted[below + 1] ?? from) - from) * (place - below)
}

/**
 * Looks where the middle half of several lines is.
 * @param lines each with a point at least
 * @param steps how many places of the song are looked at
 */
export function middleHalf(lines: readonly Points[], scale: Scale, length: number, steps = 256): MiddleHalf {
  const cursors = lines.map((points) => new LineCursor(compileLine(points, scale)))
  const of = () => new Float64Array(steps + 1)
  const [ticks, low, middle, high] = [of(), of(), of(), of()]
  const here = new Float64Array(lines.length)
  for (let i = 0; i <= steps; i++) {
    const tick = (i / steps) * length
    ticks[i] = tick
    cursors.forEach((cursor, k) => (here[k] = cursor.travelAt(tick)))
    const sorted = here.slice().sort()
    low[i] = quantile(sorted, 0.25)
    middle[i] = quantile(sorted, 0.5)
    high[i] = quantile(sorted, 0.75)
  }
  return { ticks, low, middle, high }
}
