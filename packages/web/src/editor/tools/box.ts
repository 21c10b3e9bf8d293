import { pointsWithin, type Chosen, type Points } from '@rudlo/core/envelope'
import type { Scale } from '@rudlo/core/scale'
import type { Viewport } from '../lane/viewport'

/** A box over a lane, in px, from where it began to where the hand is. */
export interface Box {
  readonly x: number
  readonly y: number
  readonly toX: number
  readonly toY: number
}

/** The points of a line inside a box. */
export function pointsInBox(box: Box, points: Points, scale: Scale, view: Viewport): Chosen {
  const ticks = [box.x, box.toX].map((px) => view.tick(px)).sort((a, b) => a - b) as [number, number]
  const travels = [box.y, box.toY].map((px) => view.travel(px)) as [number, number]
  return pointsWithin(points, scale, ticks, travels)
}
