import { clamp, type Scale } from '../scale'
import { cut } from './cut'
import { plainForm, point, type Point, type Points } from './envelope'
import { valueAt } from './evaluate'
import { checked } from './span-edits'

/** A value that is set by hand, from one tick to another (one place, if they are the same). */
export interface Setting {
  readonly from: number
  readonly to: number
  readonly value: number
  /** Ticks in which the line leads there, and back again. */
  readonly step: number
  /** Of the song. */
  readonly end: number
}

/** Whether a place is far from every point of a line: within a reach of ticks there is none. */
export const isFar = (points: Points, tick: number, reach: number): boolean =>
  points.every((p) => Math.abs(p.tick - tick) > reach)

/**
 * Sets a value in one neighbourhood of a line that has begun: up to one step before it the line stays what it was, and one step
 * after it, it is that again.
 * @throws EditRefused where the line would get too many points
 */
export function setNear(points: Points, scale: Scale, setting: Setting): Points {
  return around(points, scale, setting, true)
}

/** Sets a value from a place on: one step before it the line is still what it was; after it, it goes on to its next point. */
export function setFromHere(points: Points, scale: Scale, setting: Setting): Points {
  return around(points, scale, setting, false)
}

function around(
  points: Points,
  scale: Scale,
  { from, to, value, step, end }: Setting,
  back: boolean,
): Points {
  const kept = clamp(value, scale.min, scale.max)
  const wide = Math.max(1, Math.round(step))
  const [before, after] = [Math.max(0, from - wide), Math.min(end, to + wide)]
  const form = plainForm(scale)
  let line = points
  if (before < from) line = cut(line, scale, before)
  if (back && after > to) line = cut(line, scale, after)
  const head = line.filter((p) => (before < from ? p.tick <= before : p.tick < from))
  const tail = line.filter((p) => (back && after > to ? p.tick >= after : p.tick > to))
  const was = valueAt(points, scale, before)
  const set: Point[] = [point(from, kept, form)]
  if (to > from) set.push(point(to, kept, form))
  const last = head.at(-1)
  // a line with no point before it begins where it was
  if (!last && before < from) head.push(point(before, was, form))
  else if (last && last.form !== 'jump') head[head.length - 1] = { ...last, form, bend: 0 }
  if (back && after > to && !tail.length) tail.push(point(after, valueAt(points, scale, after), form))
  return checked([...head, ...set, ...tail])
}
