import type { Scale } from '../scale'
import type { Points } from './envelope'

const known = new WeakMap<Points, { readonly scale: Scale; readonly travels: Float64Array }>()

/**
 * Travel of every point of a line, 0…1. Points never change, so each list is computed once: finding moves and mistakes asks
 * for the same travels many times.
 */
export function travelsOf(points: Points, scale: Scale): Float64Array {
  const before = known.get(points)
  if (before?.scale === scale) return before.travels
  const travels = new Float64Array(points.length)
  for (let i = 0; i < points.length; i++) travels[i] = scale.toTravel(points[i]!.value)
  known.set(points, { scale, travels })
  return travels
}
