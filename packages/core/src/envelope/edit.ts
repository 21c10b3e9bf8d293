import { words } from '@rudlo/words'
import { clamp, type Scale } from '../scale'
import { MAX_BEND, type Form, type Point, type Points } from './envelope'
import { indexAt } from './evaluate'

/** Most points of one envelope. */
export const MAX_POINTS = 5000

/** Why an edit was refused, in one sentence for the person at the bench. */
export class EditRefused extends Error {}

/** Adds a point, or gives the point at that tick the new value. The span it lands in keeps its form on both sides. */
export function addPoint(points: Points, scale: Scale, tick: number, value: number): Points {
  const at = Math.max(0, Math.round(tick))
  const kept = clamp(value, scale.min, scale.max)
  const i = indexAt(points, at)
  const before = points[i]
  if (before?.tick === at) return replace(points, i, { ...before, value: kept })
  if (points.length >= MAX_POINTS) {
    throw new EditRefused(words('refused.line-points', { most: MAX_POINTS }))
  }
  const form: Form = scale.kind === 'switch' ? 'jump' : before?.form === 'jump' ? 'jump' : 'straight'
  // a curve cut by a new value bends no longer as it did: both sides become straight
  const left = before && before.form !== 'jump' ? { ...before, form: 'straight' as const, bend: 0 } : before
  const head = left ? [...points.slice(0, i), left] : []
  return [...head, { tick: at, value: kept, form, bend: 0 }, ...points.slice(i + 1)]
}

/** Moves point `index`; it is pushed against its neighbours and never crosses them. */
export function movePoint(points: Points, scale: Scale, index: number, tick: number, value: number): Points {
  const moved = points[index]
  if (!moved) return points
  const low = (points[index - 1]?.tick ?? -1) + 1
  const high = (points[index + 1]?.tick ?? Number.MAX_SAFE_INTEGER) - 1
  const next: Point = {
    ...moved,
    tick: clamp(Math.round(tick), low, high),
    value: clamp(value, scale.min, scale.max),
  }
  return next.tick === moved.tick && next.value === moved.value ? points : replace(points, index, next)
}

/** Removes point `index`; the point before keeps its form and now runs to the one after. */
export function removePoint(points: Points, index: number): Points {
  return index in points ? points.filter((_, i) => i !== index) : points
}

/** Gives the span after point `index` a form. Bends are clamped to their range. */
export function setForm(points: Points, index: number, form: Form, bend = 0): Points {
  const from = points[index]
  if (!from) return points
  const kept =
    form === 'curve' ? clamp(bend, -MAX_BEND, MAX_BEND) : form === 's' ? clamp(bend, 0, MAX_BEND) : 0
  return from.form === form && from.bend === kept
    ? points
    : replace(points, index, { ...from, form, bend: kept })
}

function replace(points: Points, index: number, by: Point): Points {
  return points.map((p, i) => (i === index ? by : p))
}
