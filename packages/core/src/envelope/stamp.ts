import { clamp, type Scale } from '../scale'
import { cut } from './cut'
import { addPoint } from './edit'
import { plainForm, point, type Points } from './envelope'
import { checked } from './span-edits'

/**
 * Writes a control's present setting at a tick: as a point that the line leads to and from, or as a jump: up to there the
 * line is what it was, from there on it starts at the new value.
 * @param points of a line that has begun
 */
export function stamp(
  points: Points,
  scale: Scale,
  tick: number,
  value: number,
  as: 'point' | 'jump',
): Points {
  if (as === 'point' || tick <= 0) return addPoint(points, scale, tick, value)
  const line = cut(points, scale, tick - 1)
  const head = line.filter((p) => p.tick < tick)
  const last = head.at(-1)
  if (last) head[head.length - 1] = { ...last, form: 'jump', bend: 0 }
  const kept = clamp(value, scale.min, scale.max)
  return checked([...head, point(tick, kept, plainForm(scale)), ...line.filter((p) => p.tick > tick)])
}
