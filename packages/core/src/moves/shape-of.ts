import { travelAt, type Points } from '../envelope'
import type { Scale } from '../scale'
import type { SongTime } from '../song'
import type { MoveForm } from './move'

const LOOKS = 64
/** A change faster than this is a jump to the ear. */
const SUDDEN_SECONDS = 0.05

/** Form of the way between two ticks of a line. */
export interface Shape {
  readonly form: MoveForm
  readonly unevenness: number
  readonly steepest: number
}

/** Measures how a line gets from `start` to `end`: its form, and how far it strays from straight in travel. */
export function shapeOf(points: Points, scale: Scale, time: SongTime, start: number, end: number): Shape {
  const seconds = time.tempo.secondsAt(end) - time.tempo.secondsAt(start)
  const from = travelAt(points, scale, start)
  const way = travelAt(points, scale, end) - from
  const jumps = points.some(
    (p, i) => p.tick >= start && (points[i + 1]?.tick ?? Infinity) <= end && p.form === 'jump',
  )
  if (seconds < SUDDEN_SECONDS || way === 0) {
    return { form: 'sudden', unevenness: 1, steepest: Infinity }
  }
  let furthest = 0
  let lean = 0
  let steepest = jumps ? Infinity : 0
  let before = scale.toValue(from)
  for (let k = 1; k <= LOOKS; k++) {
    const tick = start + ((end - start) * k) / LOOKS
    const travel = travelAt(points, scale, tick)
    const off = (travel - from) / way - k / LOOKS
    if (Math.abs(off) > furthest) furthest = Math.abs(off)
    lean += off / LOOKS
    const value = scale.toValue(travel)
    steepest = Math.max(steepest, (Math.abs(value - before) * LOOKS) / seconds)
    before = value
  }
  const form = jumps && furthest > 0.6 ? 'sudden' : lean > 0.06 ? 'early' : lean < -0.06 ? 'late' : 'even'
  return { form, unevenness: Math.min(1, furthest), steepest }
}
