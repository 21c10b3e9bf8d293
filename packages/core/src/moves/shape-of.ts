import { formAt, indexAt, travelAt, travelsOf, type Points } from '../envelope'
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
  if (seconds < SUDDEN_SECONDS || way === 0) {
    return { form: 'sudden', unevenness: 1, steepest: Infinity }
  }
  const jumps = jumpsWithin(points, start, end)
  const travels = travelsOf(points, scale)
  let at = indexAt(points, start)
  let furthest = 0
  let lean = 0
  let steepest = jumps ? Infinity : 0
  let before = scale.toValue(from)
  for (let k = 1; k <= LOOKS; k++) {
    const tick = start + ((end - start) * k) / LOOKS
    while (at + 1 < points.length && points[at + 1]!.tick <= tick) at++
    const travel = travelBetween(points, travels, at, tick, scale)
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

/** {@link travelAt} for whoever walks along a line: `i` is the last point at or before the tick, or −1. */
function travelBetween(points: Points, travels: Float64Array, i: number, tick: number, scale: Scale): number {
  const from = points[i]
  const to = points[i + 1]
  if (!from) return travels[0]!
  if (!to || tick === from.tick) return travels[i]!
  const u = (tick - from.tick) / (to.tick - from.tick)
  const travel = travels[i]! + (travels[i + 1]! - travels[i]!) * formAt(from.form, from.bend, u)
  return travel < scale.silentBelow ? 0 : travel
}

/** Whether a whole span that jumps lies between two ticks. */
function jumpsWithin(points: Points, start: number, end: number): boolean {
  for (let i = Math.max(0, indexAt(points, start - 1) + 1); i < points.length && points[i]!.tick <= end; i++)
    if (points[i]!.form === 'jump' && (points[i + 1]?.tick ?? Infinity) <= end) return true
  return false
}
