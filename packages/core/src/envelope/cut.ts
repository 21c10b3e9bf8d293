import { SILENCE_DB, type Scale } from '../scale'
import { plainForm, point, type Point, type Points } from './envelope'
import { indexAt, travelAt, valueAt } from './evaluate'

/**
 * Puts a point on the line at `tick` without changing the line: a part of a curve is a curve again, with its
 * bend in proportion; an S becomes its halves first.
 * @returns the same points where there is one at `tick` already, or none at all
 */
export function cut(points: Points, scale: Scale, tick: number): Points {
  const i = indexAt(points, tick)
  const from = points[i]
  if (!points.length || from?.tick === tick) return points
  const to = points[i + 1]
  if (!from) return [point(tick, to!.value, plainForm(scale)), ...points]
  if (!to) return [...points, point(tick, from.value, plainForm(scale))]
  return [...points.slice(0, i), ...cutSpan(from, to, scale, tick), ...points.slice(i + 1)]
}

/** The points that stand for `from` when its span to `to` is cut at `tick`; `to` is not among them. */
function cutSpan(from: Point, to: Point, scale: Scale, tick: number): Point[] {
  if (from.form === 's') {
    const parts = sParts(from, to, scale)
    const i = parts.findLastIndex((p) => p.tick <= tick)
    const part = parts[i]!
    if (part.tick === tick) return parts
    const after = parts[i + 1] ?? to
    return [...parts.slice(0, i), ...cutSpan(part, after, scale, tick), ...parts.slice(i + 1)]
  }
  const u = (tick - from.tick) / (to.tick - from.tick)
  if (from.form === 'jump') return [from, point(tick, from.value, 'jump')]
  const left = { ...from, bend: from.bend * u }
  const right = (at: number, value: number): Point => ({
    tick: at,
    value,
    form: from.form,
    bend: from.bend * ((to.tick - at) / (to.tick - from.tick)),
  })
  const travel = travelAt([from, to], scale, tick)
  if (travel > 0 || scale.silentBelow === 0) return [left, right(tick, scale.toValue(travel))]
  return cutInSilence(from, to, scale, tick, right)
}

/** Below the silent part a value cannot be kept, so the line gets a point where it comes out of silence too. */
function cutInSilence(
  from: Point,
  to: Point,
  scale: Scale,
  tick: number,
  right: (at: number, value: number) => Point,
): Point[] {
  const line = [from, to]
  const rises = travelAt(line, scale, to.tick) > 0
  let low = rises ? tick : from.tick
  let high = rises ? to.tick : tick
  if (!rises && travelAt(line, scale, from.tick) === 0) return [from, point(tick, SILENCE_DB)]
  while (high - low > 1) {
    const middle = (low + high) >> 1
    if (travelAt(line, scale, middle) > 0 === rises) high = middle
    else low = middle
  }
  if (rises) {
    const held = [point(tick, SILENCE_DB, 'jump')]
    const before = from.tick < tick ? [{ ...point(from.tick, from.value, 'jump') }] : []
    return high < to.tick
      ? [...before, ...held, right(high, valueAt(line, scale, high))]
      : [...before, ...held]
  }
  // falling: the line goes on to its last audible tick, and from the next one it is silent
  const share = (low - from.tick) / (to.tick - from.tick)
  const audible = low > from.tick ? [{ ...from, bend: from.bend * share }] : []
  const last = point(low, valueAt(line, scale, low), 'jump')
  return high < tick
    ? [...audible, last, point(high, SILENCE_DB), point(tick, SILENCE_DB)]
    : [...audible, last, point(tick, SILENCE_DB)]
}

/**
 * An S as curves: its two halves; where no tick lies in its middle, the halves as far as the ticks beside it, and a
 * straight tick between. At every tick the line is what it was.
 */
function sParts(from: Point, to: Point, scale: Scale): Point[] {
  const length = to.tick - from.tick
  const line = [from, to]
  const at = (tick: number, form: Point['form'], bend: number) =>
    point(tick, valueAt(line, scale, tick), form, bend)
  const first: Point = { ...from, form: 'curve' }
  const middle = from.tick + length / 2
  if (length % 2 === 0) return [first, at(middle, 'curve', -from.bend)]
  if (length < 3) return [{ ...from, form: 'straight', bend: 0 }]
  const bend = from.bend * ((length - 1) / length)
  return [{ ...first, bend }, at(middle - 0.5, 'straight', 0), at(middle + 0.5, 'curve', -bend)]
}
