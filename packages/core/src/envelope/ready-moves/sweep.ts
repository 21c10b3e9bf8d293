import { point, type Points } from '../envelope'
import { valueAt } from '../evaluate'
import { replaceSpan } from '../span-edits'
import { SWEPT } from './amounts'
import type { Making } from './making'

/** So near an end of the travel a sweep can begin where the line is. */
const NEAR_END = 0.3

/** Where a sweep to a value begins: where the line is, if that is far enough from it, so that sweeps join; else at the other end. */
function beginning({
  control: { scale },
  start,
  amount,
}: Pick<Making, 'control' | 'start' | 'amount'>): number {
  const [there, goal] = [scale.toTravel(start), scale.toTravel(amount)]
  const away = Math.abs(there - goal) > 1 - 2 * NEAR_END
  return away ? start : scale.toValue(goal > 0.5 ? SWEPT.low : SWEPT.high)
}

/** Before a sweep the line goes to where it begins, so that it does not leap. */
function withWayThere(
  { points, control: { scale }, place: { span, lead } }: Making,
  from: number,
  start: number,
) {
  const begin = Math.max(0, span.from - lead)
  if (start === from || begin === span.from) return points
  return replaceSpan(points, scale, { from: begin, to: span.from }, [
    point(begin, valueAt(points, scale, begin)),
    point(span.from, from),
  ])
}

/** From one side to the other. */
export function sweepAcross(making: Making): Points {
  const { control, place, start, amount, leads } = making
  const { from, to } = place.span
  const first = beginning(making)
  const inner = [leads(from, first), point(to, amount)]
  return replaceSpan(withWayThere(making, first, start), control.scale, place.span, inner)
}

/** To the other side and back, as often as it turns round. */
export function toAndFro(making: Making): Points {
  const { control, place, start, amount, turns, leads } = making
  const { from, to } = place.span
  const first = beginning(making)
  const legs = Math.max(1, Math.round(turns)) + 1
  const inner = Array.from({ length: legs + 1 }, (_, i) => {
    const tick = Math.round(from + ((to - from) * i) / legs)
    const value = i % 2 ? amount : first
    return i < legs ? leads(tick, value, { form: 's', bend: 3 }) : point(tick, value)
  })
  return replaceSpan(withWayThere(making, first, start), control.scale, place.span, inner)
}
