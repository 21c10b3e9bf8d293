import { kindOf } from '../checks'
import type { Check } from '../checks'
import { point, type Points } from '../envelope'
import { clamp, type Scale } from '../scale'

/** How far a form that is shown goes, in travel: enough to be seen, and nobody's answer. */
const SHOWN = 0.25

/**
 * A faint line that shows the form of the move that a check asks for, from where the line is now: the form only, with
 * depths and slopes that are not the answer's.
 * @param value of the student's own line where the move begins
 * @returns null where there is no form to show
 */
export function hintLine(check: Check, scale: Scale, value: number): { lane: string; points: Points } | null {
  const { lane, from, to, way } = check.values
  if (typeof lane !== 'string' || typeof from !== 'number') return null
  const end = typeof to === 'number' ? to : from
  const rest = scale.toTravel(value)
  const level = (travel: number) => scale.toValue(clamp(travel, 0, 1))
  const room = Math.max(240, (end - from) / 8)
  const at = (tick: number, travel: number, form: 'straight' | 'jump' = 'straight') =>
    point(Math.max(0, Math.round(tick)), level(travel), form)
  const line = (...points: Points) => ({ lane, points })
  switch (kindOf(check.kind).kind) {
    case 'fade in':
      return line(at(from, 0), at(end, Math.max(rest, 0.6)))
    case 'fade out':
      return line(at(from, rest), at(end, 0))
    case 'dip':
      return line(
        at(from - 2 * room, rest),
        at(from, rest - SHOWN),
        at(end, rest - SHOWN),
        at(end + room, rest),
      )
    case 'lift':
      return line(
        at(from - room, rest),
        at(from, rest + SHOWN / 2),
        at(end, rest + SHOWN / 2),
        at(end + room, rest),
      )
    case 'throw':
      return line(at(from - 60, 0, 'jump'), at(from, 0.7), at(end, 0.7, 'jump'), at(end + 60, 0))
    case 'drop':
      return line(at(from - 120, rest), at(from, rest - SHOWN))
    case 'sweep':
      return line(at(from, way === 'up' ? 0.25 : 0.75), at(end, way === 'up' ? 0.75 : 0.25))
    default:
      return null
  }
}
