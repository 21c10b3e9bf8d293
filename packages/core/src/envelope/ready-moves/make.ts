import { clamp, raised, type Control, type Scale } from '../../scale'
import { point, type Points } from '../envelope'
import { valueAt } from '../evaluate'
import { bendThrough } from '../form'
import { mapSpan, replaceSpan, type LineSpan } from '../span-edits'
import { isRelative, raiseOf, usualAmount } from './amounts'
import type { Making } from './making'
import type { MoveForm, MovePlace, MoveWish, ReadyMove } from './moves'
import { toAndFro, sweepAcross } from './sweep'
import { throwOpen } from './throw'

const EVEN: MoveForm = { form: 'straight', bend: 0 }
/** A build grows faster the nearer it comes to its end. */
const LATE: MoveForm = { form: 'curve', bend: bendThrough(0.35, 8) }
/** A fade is over so much of a beat before the end of its bars: silence lies inside them. */
const BEFORE_END = 0.25

/**
 * Makes a move over a span of a line that has points. It is where it should be on the first beat of the span and leaves on the
 * last; the way there lies before it, and the way back after it. What lies beyond stays as it is; a fade out that nothing
 * follows stays silent.
 * @throws EditRefused where it would change nothing, or where the line would get too many points
 */
export function makeMove(
  points: Points,
  control: Control,
  place: MovePlace,
  move: ReadyMove,
  { amount, turns = 1, way }: MoveWish = {},
): Points {
  const { scale } = control
  const { from, to } = place.span
  if (to - from < 4) return points
  const start = valueAt(points, scale, from)
  return MAKERS[move]({
    points,
    control,
    place,
    start,
    end: valueAt(points, scale, to),
    amount: amount ?? usualAmount(control, move, start),
    turns,
    leads: (tick, value, usual = EVEN) => {
      const { form, bend } = way ?? usual
      return point(tick, value, form, bend)
    },
  })
}

const MAKERS: Readonly<Record<ReadyMove, (making: Making) => Points>> = {
  'fade in': ({ points, control: { scale }, place, end, leads }) => {
    const { from, to } = place.span
    const inner = [leads(from, scale.min), point(to, heard(end, scale))]
    return replaceSpan(letGo(points, scale, place), scale, place.span, inner)
  },
  'fade out': ({ points, control: { scale }, place: { span, beat }, start, leads }) => {
    const { from, to } = span
    const silent = Math.max(from + 2, Math.round(to - beat * BEFORE_END))
    const inner = [leads(from, heard(start, scale)), point(silent, scale.min)]
    return replaceSpan(points, scale, span, inner)
  },
  lift: (making) => shifted(making, 'lift', 1),
  dip: (making) => shifted(making, 'dip', -1),
  build: ({ points, control, place, start, amount, leads }) => {
    const { scale, family } = control
    const { from, to } = place.span
    const top = isRelative(control, 'build') ? heard(start, scale) + amount : amount
    const arrival = point(to, clamp(top, scale.min, scale.max))
    // with the next part it has arrived and stays; in the middle of one it goes back, and an echo always does
    const stays = place.arrives && family === 'volume'
    const back = Math.min(place.length, to + place.lead)
    if (stays || back <= to)
      return replaceSpan(points, scale, place.span, [leads(from, start, LATE), arrival])
    const home = points.some((p) => p.tick > to) ? valueAt(points, scale, back) : start
    return replaceSpan(points, scale, { from, to: back }, [
      leads(from, start, LATE),
      arrival,
      point(back, home),
    ])
  },
  throw: throwOpen,
  sweep: sweepAcross,
  'to and fro': toAndFro,
}

/** What lies in the span, further up or down: there on its first beat, leaving on its last. */
function shifted(
  { points, control, place, start, amount }: Making,
  move: 'lift' | 'dip',
  sign: 1 | -1,
): Points {
  const { scale } = control
  const { span, lead, length } = place
  const by = isRelative(control, move)
    ? raiseOf(control, sign * amount)
    : scale.toTravel(amount) - scale.toTravel(start)
  return mapSpan(points, scale, reached(span, lead, length), [lead, lead], (p) => ({
    ...p,
    value: raised(scale, p.value, by),
  }))
}

/** A span with the ways there and back: where a song begins or ends they lie inside. */
const reached = ({ from, to }: LineSpan, lead: number, length: number): LineSpan => ({
  from: Math.max(0, from - lead),
  to: Math.min(length, to + lead),
})

/** Lets what is heard before a fade in go, so that it comes out of silence and nothing is cut off. */
function letGo(points: Points, scale: Scale, { span: { from }, lead, letGo = lead }: MovePlace): Points {
  const before = valueAt(points, scale, Math.max(0, from - 1))
  if (from <= 0 || before <= scale.min) return points
  const begin = Math.max(0, from - letGo)
  // silent a little before it begins: nothing is cut
  const silent = Math.max(begin + 1, Math.round(from - (from - begin) / 8))
  return replaceSpan(points, scale, { from: begin, to: from }, [
    point(begin, valueAt(points, scale, begin)),
    point(silent, scale.min),
    point(from, scale.min),
  ])
}

/** A level that can be heard: the resting level of a line that is silent there is 0 dB. */
function heard(value: number, scale: Scale): number {
  return scale.kind === 'level' && value <= scale.min ? 0 : value
}
