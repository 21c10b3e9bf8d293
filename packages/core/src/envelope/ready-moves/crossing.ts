import { cosPi, dbOfGain, sinPi } from '../../maths'
import { levelScale, SILENCE_DB } from '../../scale'
import { point, type Points } from '../envelope'
import { valueAt } from '../evaluate'
import { thin, type Sample } from '../thin'
import { replaceSpan, type LineSpan } from '../span-edits'

/** Two lines of levels, one of which leaves as the other comes. */
export interface Crossing {
  readonly leaves: Points
  readonly comes: Points
}

/** Places between the ends at which the curve is looked at. */
const LOOKS = 48

/** A curve of gains as a line: few points, within a quarter of a dB of it. */
function lineOf(span: LineSpan, level: number, gain: (share: number) => number): Points {
  const samples = Array.from({ length: LOOKS + 1 }, (_, k): Sample => {
    const share = k / LOOKS
    const through = gain(share)
    const value = through < 1e-4 ? SILENCE_DB : Math.max(SILENCE_DB, level + dbOfGain(through))
    return { tick: Math.round(span.from + (span.to - span.from) * share), value }
  })
  return thin(samples, levelScale)
}

/**
 * One track out as another comes in. With equal power the two are as loud together as each was alone, wherever they are alike: the
 * squares of cosine and sine add up to one. Evenly in gain they are 3 dB softer in the middle.
 * @param way 'power' for equal power, 'gain' for even gains
 */
export function makeCrossing(
  leaves: Points,
  comes: Points,
  span: LineSpan,
  way: 'power' | 'gain' = 'power',
): Crossing {
  const level = (value: number) => (value <= SILENCE_DB ? 0 : value)
  const from = level(valueAt(leaves, levelScale, span.from))
  const to = level(valueAt(comes, levelScale, span.to))
  const out = (u: number) => (way === 'power' ? cosPi(u / 2) : 1 - u)
  const into = (u: number) => (way === 'power' ? sinPi(u / 2) : u)
  return {
    leaves: replaceSpan(leaves, levelScale, span, lineOf(span, from, out)),
    comes: replaceSpan(silentBefore(comes, span), levelScale, span, lineOf(span, to, into)),
  }
}

/** What comes is not there before it comes. */
function silentBefore(points: Points, { from }: LineSpan): Points {
  if (from <= 0) return points
  const after = points.filter((p) => p.tick >= from)
  return [
    point(0, SILENCE_DB, 'jump'),
    ...(after.length ? after : [point(from, valueAt(points, levelScale, from))]),
  ]
}
