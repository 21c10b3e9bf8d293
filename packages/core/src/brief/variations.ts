import type { Point, Points } from '../envelope'
import { clamp, type Scale } from '../scale'
import type { SongTime } from '../song'

/** How far other good answers lie from a model: a quarter of a beat, and so much of the travel or of a way. */
const TIME_BEATS = 0.25
const TRAVEL = 0.012
const DEPTH = 0.1
/** A line with more points was ridden: no single point of it means anything. */
const PLACED = 40
/** A whole line gets louder or softer by less than a move does. */
const LOUDER = 0.6
/** Ticks between two points that are one place. */
const TWINS = 2
const SHIFTS = [-0.5, -0.25, 0.25, 0.5]

/** Numbers between −1 and 1 that look like chance and are the same every time. */
const wobble = (seed: number) => {
  const x = (seed * 48_271 + 12_345) % 65_537
  return (x / 65_537) * 2 - 1
}

/**
 * Lines that a teacher would accept for a model as well: a little earlier or later, a little more or less, drawn a little otherwise.
 * Each keeps the ends of the travel where the model has them: silence stays silence.
 */
export function variationsOf(points: Points, scale: Scale, time: SongTime): Points[] {
  if (!points.length) return []
  const { beat } = time.meter.lengthsAt(points[0]!.tick)
  const rest = scale.toTravel(points[0]!.value)
  const silent = points.some((p) => scale.toTravel(p.value) <= 0)
  const changed = (change: (p: Point, i: number) => { tick: number; travel: number }): Points => {
    const line: Point[] = []
    points.forEach((p, i) => {
      const { tick, travel } = change(p, i)
      const own = scale.toTravel(p.value)
      const stays = own <= 0 || own >= 1 || scale.kind === 'switch'
      const at = Math.max(line.at(-1) ? line.at(-1)!.tick + 1 : 0, Math.round(clamp(tick, 0, time.length)))
      line.push({ ...p, tick: at, value: stays ? p.value : scale.toValue(clamp(travel, 0.001, 1)) })
    })
    return line
  }
  const at = (p: Point) => scale.toTravel(p.value)
  // two points side by side are a jump: they move together
  const own = points.map((p, i) => (i > 0 && p.tick - points[i - 1]!.tick <= TWINS ? i - 1 : i))
  return [
    ...SHIFTS.map((beats) =>
      changed((p) => ({ tick: p.tick + (p.tick > 0 ? beats * beat : 0), travel: at(p) })),
    ),
    // what comes from silence or goes there is a little louder or softer as a whole
    ...[1 - DEPTH, 1 + DEPTH].map((by) =>
      changed((p) => ({
        tick: p.tick,
        travel: silent ? at(p) * (1 + (by - 1) * LOUDER) : rest + (at(p) - rest) * by,
      })),
    ),
    ...(points.length > PLACED ? [] : [1, 2, 3, 4]).map((seed) =>
      changed((p, i) => ({
        tick: p.tick + (p.tick > 0 ? wobble(seed * 31 + own[i]!) * TIME_BEATS * beat : 0),
        travel: at(p) + wobble(seed * 17 + i * 3) * TRAVEL,
      })),
    ),
  ]
}
