import { log10 } from '../maths'
import { OUTLINE_RATE, type Outline } from './outline'

/** Bars that are compared before and after a place. */
const AROUND = 4
/** A section has at least so many bars. */
const SHORTEST = 4
/** How far a change stands out of the usual ones, in their mean. */
const STANDS_OUT = 1.5
const MOST = 26
const SILENT_DB = -60

/**
 * Proposes where sections begin: at bars where what plays, and how loud, differs most between the four bars before and the
 * four after (novelty, as J. Foote 2000 looks for it, over the level of each track).
 * @param bars where bars begin, in seconds, and where the last one ends
 * @returns numbers of bars, from 0; the first is always there
 */
export function proposeSections(outlines: readonly Outline[], bars: readonly number[]): number[] {
  const count = bars.length - 1
  if (count < 2 * SHORTEST) return [0]
  const levels = outlines.map(({ level }) =>
    Array.from({ length: count }, (_, bar) => {
      const from = Math.round(bars[bar]! * OUTLINE_RATE)
      const to = Math.max(from + 1, Math.round(bars[bar + 1]! * OUTLINE_RATE))
      let sum = 0
      for (let i = from; i < to; i++) sum += level[i] ?? 0
      return Math.max(SILENT_DB, 10 * log10(sum / (to - from) + 1e-9))
    }),
  )
  const novelty = Array.from({ length: count }, (_, bar) => {
    if (bar < 1) return 0
    return levels.reduce((sum, track) => {
      const mean = (from: number, to: number) => {
        const part = track.slice(Math.max(0, from), Math.min(count, to))
        return part.reduce((a, b) => a + b, 0) / Math.max(1, part.length)
      }
      return sum + Math.abs(mean(bar, bar + AROUND) - mean(bar - AROUND, bar))
    }, 0)
  })
  const usual = novelty.reduce((a, b) => a + b, 0) / count
  const found = [0]
  const candidates = novelty
    .map((value, bar) => ({ bar, value }))
    .filter(
      ({ bar, value }) =>
        bar >= SHORTEST &&
        bar <= count - 2 &&
        value > usual * STANDS_OUT &&
        value >= (novelty[bar - 1] ?? 0) &&
        value > (novelty[bar + 1] ?? 0),
    )
    .sort((a, b) => b.value - a.value)
  for (const { bar } of candidates)
    if (found.length < MOST && found.every((other) => Math.abs(other - bar) >= SHORTEST)) found.push(bar)
  return found.sort((a, b) => a - b)
}
