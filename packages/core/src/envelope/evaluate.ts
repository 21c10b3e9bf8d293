import type { Scale } from '../scale'
import type { Points } from './envelope'
import { formAt } from './form'

/** Index of the last point at or before `tick`, or −1. */
export function indexAt(points: Points, tick: number): number {
  let low = 0
  let high = points.length
  while (low < high) {
    const middle = (low + high) >> 1
    if (points[middle]!.tick <= tick) low = middle + 1
    else high = middle
  }
  return low - 1
}

/**
 * Travel of the line at `tick`, 0…1. Before the first point the first value holds, after the last the last.
 * Readings in the silent part of a scale are 0.
 * @throws RangeError for an envelope without points: it has no value of its own
 */
export function travelAt(points: Points, scale: Scale, tick: number): number {
  const first = points[0]
  if (!first) throw new RangeError('An envelope without points has no value.')
  const i = indexAt(points, tick)
  if (i < 0) return scale.toTravel(first.value)
  const from = points[i]!
  const to = points[i + 1]
  const start = scale.toTravel(from.value)
  if (!to || tick === from.tick) return start
  const u = (tick - from.tick) / (to.tick - from.tick)
  const travel = start + (scale.toTravel(to.value) - start) * formAt(from.form, from.bend, u)
  return travel < scale.silentBelow ? 0 : travel
}

/** Value of the line at `tick`, in the control's unit. @throws RangeError without points */
export function valueAt(points: Points, scale: Scale, tick: number): number {
  return scale.toValue(travelAt(points, scale, tick))
}
