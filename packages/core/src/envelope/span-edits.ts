import { words } from '@rudlo/words'
import { clamp, raised, type Scale } from '../scale'
import { cut } from './cut'
import { MAX_POINTS, EditRefused } from './edit'
import { plainForm, point, type Point, type Points } from './envelope'
import { valueAt } from './evaluate'

/** A stretch of a line in ticks, `from` before `to`. */
export interface LineSpan {
  readonly from: number
  readonly to: number
}

/** A line with no points yet, as it sounds: level at the control's setting. */
export function begun(points: Points, scale: Scale, setting: number): Points {
  return points.length ? points : [point(0, setting, plainForm(scale))]
}

/**
 * Raises or lowers what lies in a span by so many dB (a level; silence stays silence) or so much of the travel. At both
 * ends the line leads over within `slope` ticks inside the span, so nothing outside changes.
 * @throws EditRefused where the line would get too many points
 */
export function shiftSpan(points: Points, scale: Scale, span: LineSpan, by: number, slope = 1): Points {
  return mapSpan(points, scale, span, slope, (p) => ({ ...p, value: raised(scale, p.value, by) }))
}

/** Scales what lies in a span about its mean travel: 0 makes it level, −1 turns it over. */
export function scaleSpan(points: Points, scale: Scale, span: LineSpan, factor: number, slope = 1): Points {
  const ends = [span.from, span.to].map((tick) => scale.toTravel(valueAt(points, scale, tick)))
  const inside = points.filter((p) => p.tick > span.from && p.tick < span.to)
  const travels = [...ends, ...inside.map((p) => scale.toTravel(p.value))]
  const mean = travels.reduce((a, b) => a + b, 0) / travels.length
  return mapSpan(points, scale, span, slope, (p) => {
    const travel = mean + (scale.toTravel(p.value) - mean) * factor
    return { ...p, value: scale.toValue(clamp(travel, 0, 1)) }
  })
}

/**
 * Changes every point inside a span, with points made at its ends so that the line outside stays as it is.
 * @param slope ticks in which the line leads over at both ends, or at each
 */
export function mapSpan(
  points: Points,
  scale: Scale,
  span: LineSpan,
  slope: number | readonly [number, number],
  change: (p: Point) => Point,
): Points {
  const length = span.to - span.from
  if (!points.length || length < 2) return points
  const [there, back] = (typeof slope === 'number' ? [slope, slope] : slope).map((ticks) =>
    clamp(Math.round(ticks), typeof slope === 'number' ? 1 : 0, Math.floor(length / 2)),
  ) as [number, number]
  const ends = [span.from, span.from + there, span.to - back, span.to]
  const whole = ends.reduce((line, tick) => cut(line, scale, tick), points)
  return checked(
    whole.map((p) => {
      const inside = p.tick >= span.from + there && p.tick <= span.to - back
      const next = inside ? change(p) : p
      const leads = p.tick === span.from || p.tick === span.to - back
      return leads && scale.kind !== 'switch' ? { ...next, form: 'straight' as const, bend: 0 } : next
    }),
  )
}

/** What a line does after its last change, where it had no points there: it goes back to what it was, or stays. */
export type Aftermath = 'returns' | 'stays'

/**
 * Puts other points in the place of what lies in a span. Before it and after it the line stays as it is; where the new
 * points do not meet it, it jumps.
 * @param inner sorted, all within the span
 * @param aftermath what happens after the span where the line has no more points
 * @throws EditRefused where the line would get too many points
 */
export function replaceSpan(
  points: Points,
  scale: Scale,
  span: LineSpan,
  inner: Points,
  aftermath: Aftermath = 'stays',
): Points {
  if (!inner.length) return points
  const { from, to } = span
  const followed = points.some((p) => p.tick > to) || (aftermath === 'returns' && points.length > 0)
  let line = points
  if (from > 0) line = cut(line, scale, from - 1)
  if (followed) line = cut(line, scale, to + 1)
  const head = line.filter((p) => p.tick < from)
  const tail = line.filter((p) => p.tick > to)
  const last = head.at(-1)
  // what was there leads up to the span and stops there
  if (last) head[head.length - 1] = { ...last, form: 'jump', bend: 0 }
  const end = inner.at(-1)!
  const body = [...inner]
  const held = end.tick === to || !tail.length ? end : point(to, end.value)
  if (held !== end) body.push(held)
  if (tail.length) body[body.length - 1] = { ...held, form: 'jump', bend: 0 }
  return checked([...head, ...body, ...tail])
}

/** Takes everything out of a span: the line runs straight through it. */
export function clearSpan(points: Points, scale: Scale, span: LineSpan): Points {
  if (!points.some((p) => p.tick > span.from && p.tick < span.to)) return points
  const line = cut(cut(points, scale, span.from), scale, span.to)
  return line
    .filter((p) => p.tick <= span.from || p.tick >= span.to)
    .map((p) => (p.tick === span.from ? { ...p, form: plainForm(scale), bend: 0 } : p))
}

/** What lies in a span, from tick 0 on, to be put somewhere else. */
export function copySpan(points: Points, scale: Scale, span: LineSpan): Points {
  if (!points.length) return []
  const line = cut(cut(points, scale, span.from), scale, span.to)
  return line
    .filter((p) => p.tick >= span.from && p.tick <= span.to)
    .map((p) => ({ ...p, tick: p.tick - span.from }))
}

/** Puts what was copied at a tick, over what is there. @param length of what was copied, in ticks */
export function pasteAt(
  points: Points,
  scale: Scale,
  copied: Points,
  length: number,
  tick: number,
  aftermath: Aftermath = 'stays',
): Points {
  const at = Math.round(tick)
  const inner = copied.map((p) => ({ ...p, tick: p.tick + at }))
  return replaceSpan(points, scale, { from: at, to: at + length }, inner, aftermath)
}

/** @throws EditRefused where these are too many points */
export function checked(points: Points): Points {
  if (points.length > MAX_POINTS)
    throw new EditRefused(words('refused.line-more-points', { most: MAX_POINTS }))
  return points
}
