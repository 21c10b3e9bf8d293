import { SILENCE_DB, type Scale } from '../scale'
import { point, type Point, type Points } from './envelope'
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
  if (!from) return [point(tick, to!.value), ...points]
  if (!to) return [...points, point(tick, from.value)]
  return [...points.slice(0, i), ...cutSpan(from, to, scale, tick), ...points.slice(i + 1)]
}

/** The points that stand for `from` when its span to `to` is cut at `tick`; `to` is not among them. */
function cutSpan(from: Point, to: Point, scale: Scale, tick: number): Point[] {
  if (from.form === 's' && from.bend !== 0) {
    const middle = (from.tick + to.tick) / 2
    // an S of an odd number of ticks has no tick in its middle: the nearest one shifts the line by far less
    // than a pixel, and both halves still meet
    const at = Math.round(middle)
    if (at > from.tick && at < to.tick) {
      const halves = sHalves(from, to, scale, at)
      if (tick === at) return halves
      return tick < at
        ? [...cutSpan(halves[0], halves[1], scale, tick), halves[1]]
        : [halves[0], ...cutSpan(halves[1], to, scale, tick)]
    }
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

function sHalves(from: Point, to: Point, scale: Scale, at: number): [Point, Point] {
  // where no tick lies in the middle, the line's own value beside it keeps both halves closest to what they were
  const middle = scale.toValue(travelAt([from, to], scale, at))
  return [
    { tick: from.tick, value: from.value, form: 'curve', bend: from.bend },
    { tick: at, value: middle, form: 'curve', bend: -from.bend },
  ]
}
