import type { Points } from '@rudlo/core/envelope'
import { indexAt } from '@rudlo/core/envelope'
import type { Scale } from '@rudlo/core/scale'
import type { Viewport } from '../lane/viewport'

/** Index of the point nearest to a place within `reach` px, or −1. */
export function pointAt(
  points: Points,
  scale: Scale,
  view: Viewport,
  x: number,
  y: number,
  reach: number,
): number {
  const first = Math.max(0, indexAt(points, view.tick(x - reach)))
  const last = indexAt(points, view.tick(x + reach))
  let nearest = -1
  let least = reach * reach
  for (let i = first; i <= last; i++) {
    const p = points[i]!
    const dx = view.x(p.tick) - x
    const dy = view.y(scale.toTravel(p.value)) - y
    const distance = dx * dx + dy * dy
    if (distance <= least) {
      least = distance
      nearest = i
    }
  }
  return nearest
}
