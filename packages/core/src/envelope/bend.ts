import { clamp, type Scale } from '../scale'
import { setForm } from './edit'
import { MAX_BEND, type Points } from './envelope'
import { bendThrough } from './form'

/** Nearer to the middle than this the span counts as straight. */
const STRAIGHT = 0.02

/**
 * Bends the span after a point so that it goes through a travel at its middle, as far as a curve can. The same points
 * where the span is level: there is nothing to bend.
 */
export function bendSpan(points: Points, scale: Scale, index: number, travel: number): Points {
  const from = points[index]
  const to = points[index + 1]
  if (!from || !to || scale.kind === 'switch') return points
  const start = scale.toTravel(from.value)
  const way = scale.toTravel(to.value) - start
  if (Math.abs(way) < 1e-6) return points
  const share = clamp((travel - start) / way, 0, 1)
  if (Math.abs(share - 0.5) < STRAIGHT) return setForm(points, index, 'straight')
  return setForm(points, index, 'curve', bendThrough(share, MAX_BEND))
}
