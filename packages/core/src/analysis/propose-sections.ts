import { log10 } from '../maths'
import { OUTLINE_RATE, type Outline } from './outline'

/** Bars that are compared before and after a place. */
const AROUND = 4
/** A section has at least so many bars. */
const SHORTEST = 4
/** How far a change stands out of the usual ones, in their mean. */
const STANDS_OUT = 1.5
/** A section longer than this share of the song is looked at again: a smaller change may divide it. */
const LONGEST = 1 / 3
/** Changes below this are none, in dB over all tracks and kinds of sound together. */
const HEARD = 1
/** More than this nobody keeps apart. */
const MOST = 12
const SILENT_DB = -60

/**
 * Proposes where sections begin: at bars where what plays, how loud, and how much happens in it, differs most between the four
 * bars before and the four after (novelty, as J. Foote 2000 looks for it). Where a section would be longer than a third of the
 * song, smaller changes in it count as well.
 * @param bars where bars begin, in seconds, and where the last one ends
 * @returns numbers of bars, from 0; the first is always there
 */
export function proposeSections(outlines: readonly Outline[], bars: readonly number[]): number[] {
  const count = bars.length - 1
  if (count < 2 * SHORTEST) return [0]
  const novelty = noveltyOf(outlines, bars)
  const usual = novelty.reduce((a, b) => a + b, 0) / count
  const found = [0]
  const isFree = (bar: number, apart = SHORTEST) =>
    bar <= count - 2 && found.every((other) => Math.abs(other - bar) >= apart)
  const peaks = [...novelty.keys()]
    .filter(
      (bar) =>
        bar >= SHORTEST &&
        novelty[bar]! > usual * STANDS_OUT &&
        novelty[bar]! >= (novelty[bar - 1] ?? 0) &&
        novelty[bar]! > (novelty[bar + 1] ?? 0),
    )
    .sort((a, b) => novelty[b]! - novelty[a]!)
  for (const bar of peaks) if (found.length < MOST && isFree(bar)) found.push(bar)
  // a third of a short song is shorter than a section usually is
  const apart = Math.max(2, Math.min(SHORTEST, Math.floor(count / 3)))
  divide(found, count, (bar) => (isFree(bar, apart) ? novelty[bar]! : 0))
  return found.sort((a, b) => a - b)
}

/** Adds the greatest change within each section that is too long, as long as there is one. */
function divide(found: number[], count: number, changeAt: (bar: number) => number): void {
  for (let again = true; again && found.length < MOST;) {
    again = false
    const begins = [...found].sort((a, b) => a - b)
    for (const [i, from] of begins.entries()) {
      const to = begins[i + 1] ?? count
      if (to - from <= count * LONGEST) continue
      let best = from
      for (let bar = from + 1; bar < to; bar++)
        if (changeAt(bar) > (best === from ? HEARD : changeAt(best))) best = bar
      if (best === from) continue
      found.push(best)
      again = true
    }
  }
}

/** How much changes at each bar, in dB over all tracks. */
function noveltyOf(outlines: readonly Outline[], bars: readonly number[]): number[] {
  const count = bars.length - 1
  const mean = (of: Float32Array, bar: number) => {
    const from = Math.round(bars[bar]! * OUTLINE_RATE)
    const to = Math.max(from + 1, Math.round(bars[bar + 1]! * OUTLINE_RATE))
    let sum = 0
    for (let i = from; i < to; i++) sum += of[i] ?? 0
    return sum / (to - from)
  }
  const features = outlines.flatMap(({ level, flux, thump }) => [
    Array.from({ length: count }, (_, bar) => Math.max(SILENT_DB, 10 * log10(mean(level, bar) + 1e-9))),
    // how much begins, above and below: a louder hi-hat or a bass that sets in, also within one recording of everything
    ...[flux, thump].map((of) => Array.from({ length: count }, (_, bar) => 10 * log10(mean(of, bar) + 0.01))),
  ])
  return Array.from({ length: count }, (_, bar) => {
    if (bar < 1) return 0
    return features.reduce((sum, feature) => {
      const around = (from: number, to: number) => {
        const part = feature.slice(Math.max(0, from), Math.min(count, to))
        return part.reduce((a, b) => a + b, 0) / Math.max(1, part.length)
      }
      return sum + Math.abs(around(bar, bar + AROUND) - around(bar - AROUND, bar))
    }, 0)
  })
}
