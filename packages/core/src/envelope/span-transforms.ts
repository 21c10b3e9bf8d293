import { words } from '@rudlo/words'
import { clamp, raised, type Scale } from '../scale'
import { cut } from './cut'
import { checked, clearSpan, copySpan, mapSpan, pasteAt, replaceSpan, type LineSpan } from './span-edits'
import { EditRefused } from './edit'
import { plainForm, point, type Point, type Points } from './envelope'
import { travelAt, valueAt } from './evaluate'
import { formAt } from './form'
import { thin, type Sample } from './thin'

/** A span is smoothed over so many samples of it. */
const SMOOTH_SAMPLES = 96
/** A bent stretch is thinned as so many straight ones. */
const BENT_PARTS = 12

/**
 * Tilts what lies in a span: nothing at its start, more and more towards its end, `by` dB there (a level; silence stays
 * silence) or so much of the travel. Outside nothing changes.
 * @throws EditRefused where the line would get too many points
 */
export function tiltSpan(points: Points, scale: Scale, span: LineSpan, by: number, slope = 1): Points {
  const length = span.to - span.from
  return mapSpan(points, scale, span, slope, (p) => {
    const share = ((p.tick - span.from) / length) * by
    return { ...p, value: raised(scale, p.value, share) }
  })
}

/** Turns what lies in a span round in time: its end comes first. */
export function mirrorSpan(points: Points, scale: Scale, span: LineSpan): Points {
  const length = span.to - span.from
  const inner = copySpan(points, scale, span)
  if (inner.length < 2) return points
  const turned: Point[] = []
  for (let i = inner.length - 1; i >= 0; i--) {
    const p = inner[i]!
    const before = inner[i - 1]
    const at = length - p.tick
    if (before?.form === 'jump') {
      // held until here, then it jumped: turned round it jumps first and is held after
      const last = turned.at(-1)
      if (at > 0 && last && last.form !== 'jump' && last.tick < at - 1)
        turned.push(point(at - 1, p.value, 'jump'))
      turned.push(point(at, before.value, plainForm(scale)))
    } else turned.push(point(at, p.value, before?.form ?? plainForm(scale), turnedBend(before)))
  }
  return pasteAt(points, scale, turned, length, span.from, 'returns')
}

const turnedBend = (p: Point | undefined) => (p?.form === 'curve' ? -p.bend : p?.form === 's' ? p.bend : 0)

/** Smooths what lies in a span: every place becomes the mean of its surroundings; the ends stay where they are. */
export function smoothSpan(points: Points, scale: Scale, span: LineSpan): Points {
  const length = span.to - span.from
  if (points.length < 2 || length < SMOOTH_SAMPLES) return points
  const travels = Array.from({ length: SMOOTH_SAMPLES + 1 }, (_, i) =>
    travelAt(points, scale, span.from + (length * i) / SMOOTH_SAMPLES),
  )
  const samples: Sample[] = travels.map((_, i) => {
    const reach = Math.min(6, i, SMOOTH_SAMPLES - i)
    const near = travels.slice(i - reach, i + reach + 1)
    return {
      tick: span.from + Math.round((length * i) / SMOOTH_SAMPLES),
      value: scale.toValue(near.reduce((a, b) => a + b, 0) / near.length),
    }
  })
  return replaceSpan(points, scale, span, thin(samples, scale), 'returns')
}

/** Leaves few points in a span, which stay within the bound of {@link thin} of what was there. Jumps stay. */
export function thinSpan(points: Points, scale: Scale, span: LineSpan): Points {
  const inner = copySpan(points, scale, span)
  if (inner.length < 3) return points
  const kept: Point[] = []
  let run: Sample[] = []
  const close = (jumps: boolean) => {
    const few = [...thin(run, scale)]
    if (jumps && few.length) few.splice(-1, 1, { ...few.at(-1)!, form: 'jump' })
    kept.push(...few)
    run = []
  }
  inner.forEach((p, i) => {
    run.push({ tick: p.tick, value: p.value })
    const next = inner[i + 1]
    if (p.form === 'jump' || !next) return close(p.form === 'jump')
    if (p.form === 'straight') return
    const from = scale.toTravel(p.value)
    const to = scale.toTravel(next.value)
    for (let k = 1; k < BENT_PARTS; k++) {
      const tick = p.tick + Math.round(((next.tick - p.tick) * k) / BENT_PARTS)
      const u = (tick - p.tick) / (next.tick - p.tick)
      if (tick > run.at(-1)!.tick && tick < next.tick)
        run.push({ tick, value: scale.toValue(from + (to - from) * formAt(p.form, p.bend, u)) })
    }
  })
  return kept.length < inner.length
    ? pasteAt(points, scale, kept, span.to - span.from, span.from, 'returns')
    : points
}

/** Gives what lies in a span another length from its start on; what comes after stays where it is. */
export function stretchSpan(points: Points, scale: Scale, span: LineSpan, length: number): Points {
  const before = span.to - span.from
  const after = Math.round(length)
  if (!points.length || after < 2 || after === before) return points
  const inner = copySpan(points, scale, span)
  const drawn: Point[] = []
  for (const p of inner) {
    const tick = Math.round((p.tick * after) / before)
    if (tick > (drawn.at(-1)?.tick ?? -1)) drawn.push({ ...p, tick })
  }
  return pasteAt(
    after < before ? clearSpan(points, scale, span) : points,
    scale,
    drawn,
    after,
    span.from,
    'returns',
  )
}

/**
 * Moves what lies in a span by so many ticks; where it was the line runs straight.
 * @param end the end of the song: nothing is moved over it, or before the start
 */
export function moveSpan(points: Points, scale: Scale, span: LineSpan, by: number, end: number): Points {
  const shift = clamp(Math.round(by), -span.from, end - span.to)
  if (!points.length || shift === 0) return points
  const inner = copySpan(points, scale, span)
  return pasteAt(
    clearSpan(points, scale, span),
    scale,
    inner,
    span.to - span.from,
    span.from + shift,
    'returns',
  )
}

/**
 * Moves everything from a tick on: later, the line holds in the gap; earlier, what was there before is gone.
 * @param end the end of the song: what would come to lie after it is gone
 */
export function moveRest(points: Points, scale: Scale, from: number, by: number, end: number): Points {
  const shift = Math.max(-from, Math.round(by))
  if (!points.length || shift === 0) return points
  const whole = cut(points, scale, from)
  const kept = cut(whole, scale, Math.min(from, from + shift)).filter(
    (p) => p.tick < Math.min(from, from + shift) || (shift > 0 && p.tick === from),
  )
  const rest = whole.filter((p) => p.tick >= from).map((p) => ({ ...p, tick: p.tick + shift }))
  const last = kept.at(-1)
  if (last && shift > 0) kept[kept.length - 1] = { ...last, form: plainForm(scale), bend: 0 }
  const line = [...kept, ...rest]
  const over = line.some((p) => p.tick > end)
  return checked(over ? cut(line, scale, end).filter((p) => p.tick <= end) : line)
}

/**
 * Repeats what lies in a span so many times after it, as far as the song goes.
 * @throws EditRefused where there is no room for one
 */
export function repeatSpan(points: Points, scale: Scale, span: LineSpan, times: number, end: number): Points {
  const length = span.to - span.from
  const inner = copySpan(points, scale, span)
  const count = Math.min(Math.round(times), Math.floor((end - span.to) / length))
  if (count < 1) throw new EditRefused(words('refused.no-room-after'))
  let line = points
  for (let i = 0; i < count; i++) line = pasteAt(line, scale, inner, length, span.to + i * length, 'returns')
  return line
}

/** Gives a span one value; after it the line goes on as it was. */
export function holdSpan(points: Points, scale: Scale, { from, to }: LineSpan, value: number): Points {
  if (!points.length || to <= from) return points
  // a line that jumps holds its value up to the span by itself
  const led = points.findLast((p) => p.tick < from)?.form !== 'jump'
  const line = cut(led ? cut(points, scale, Math.max(0, from - 1)) : points, scale, to)
  const head = line.filter((p) => p.tick < from)
  const last = head.at(-1)
  if (last) head[head.length - 1] = { ...last, form: 'jump', bend: 0 }
  const held = point(from, clamp(value, scale.min, scale.max), 'jump')
  return checked([...head, held, ...line.filter((p) => p.tick >= to)])
}

/**
 * Takes away what a span was given: up to its end the line stays where it was just before it. At the start of the song, where
 * nothing is before it, it stays where it is after it.
 */
export function releaseSpan(points: Points, scale: Scale, span: LineSpan): Points {
  const { from, to } = span
  if (!points.length || to <= from) return points
  const line = holdSpan(points, scale, span, valueAt(points, scale, from > 0 ? from - 1 : to))
  // what is before holds its value by itself
  return from > 0 && line[0]!.tick < from ? line.filter((p) => p.tick !== from) : line
}

/**
 * Switches a two-state line on or off in a span; after it the line is as it was.
 * @param points of a line that has begun
 */
export const switchSpan = (points: Points, scale: Scale, span: LineSpan, on: boolean): Points =>
  holdSpan(points, scale, span, on ? scale.max : scale.min)

/**
 * A rhythm over a span: cells of `step` ticks, each with one of two values, as `pattern` says, over and over.
 * @param pattern true for the first value
 */
export function rhythmSpan(
  points: Points,
  scale: Scale,
  span: LineSpan,
  step: number,
  pattern: readonly boolean[],
  values: readonly [on: number, off: number],
): Points {
  const inner: Point[] = []
  for (let i = 0, at = span.from; at < span.to; i++, at = Math.round(span.from + i * step)) {
    const value = values[pattern[i % pattern.length] ? 0 : 1]
    if (inner.at(-1)?.value !== value) inner.push(point(at, value, 'jump'))
  }
  const after = valueAt(points, scale, span.to)
  return replaceSpan(points, scale, span, [...inner, point(span.to, after, 'jump')])
}
