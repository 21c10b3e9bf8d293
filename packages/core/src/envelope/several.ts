import { clamp, raised, riseBetween, type Scale } from '../scale'
import { setForm } from './edit'
import type { Form, Points } from './envelope'

/** Indices of points that are edited together. */
export type Chosen = ReadonlySet<number>

/** The points between two ticks and two travels, both ends included. */
export function pointsWithin(
  points: Points,
  scale: Scale,
  ticks: readonly [number, number],
  travels: readonly [number, number],
): Set<number> {
  const [from, to] = ticks
  const low = Math.min(...travels)
  const high = Math.max(...travels)
  const found = new Set<number>()
  points.forEach(({ tick, value }, i) => {
    const travel = scale.toTravel(value)
    if (tick >= from && tick <= to && travel >= low && travel <= high) found.add(i)
  })
  return found
}

/** A line of which some points are chosen. */
export interface ChosenLine {
  readonly points: Points
  readonly scale: Scale
  readonly chosen: Chosen
}

/** How far the chosen points of a line can move in time without crossing a point that stays. */
function room({ points, chosen }: ChosenLine, end: number): readonly [number, number] {
  let least = -Infinity
  let most = Infinity
  for (const i of chosen) {
    const p = points[i]
    if (!p) continue
    const before = chosen.has(i - 1) ? -Infinity : (points[i - 1]?.tick ?? -1) + 1
    const after = chosen.has(i + 1) ? Infinity : (points[i + 1]?.tick ?? end + 1) - 1
    least = Math.max(least, Math.max(before, 0) - p.tick)
    most = Math.min(most, Math.min(after, end) - p.tick)
  }
  return [Math.min(0, least), Math.max(0, most)]
}

/**
 * Moves the chosen points of several lines as one: all by the same ticks, pushed against the first point that stays; on lines like
 * the leading one by as many dB (a level; silence stays silence) or as much of the travel as from one of its values to another, on
 * the others by as much of the travel.
 * @param lead scale of the line that the hand is on
 * @param end the last tick that a point may have
 * @returns the points of each line, in their order
 */
export function moveTogether(
  lines: readonly ChosenLine[],
  lead: Scale,
  {
    ticks,
    from,
    to,
    end,
  }: { readonly ticks: number; readonly from: number; readonly to: number; readonly end: number },
): Points[] {
  const rooms = lines.map((line) => room(line, end))
  const least = Math.max(...rooms.map(([low]) => low))
  const most = Math.min(...rooms.map(([, high]) => high))
  const shift = clamp(Math.round(ticks), least, most)
  const rise = riseBetween(lead, from, to)
  const way = lead.toTravel(to) - lead.toTravel(from)
  return lines.map(({ points, scale, chosen }) => {
    const moved = (value: number) => {
      if (way === 0 || (scale.kind === 'level' && value <= scale.min)) return value
      if (scale.kind === lead.kind) return raised(scale, value, rise)
      return scale.toValue(clamp(scale.toTravel(value) + way, 0, 1))
    }
    return points.map((p, i) => (chosen.has(i) ? { ...p, tick: p.tick + shift, value: moved(p.value) } : p))
  })
}

/** Removes several points. */
export function removePoints(points: Points, chosen: Chosen): Points {
  return points.filter((_, i) => !chosen.has(i))
}

/** Gives several points one value. */
export function setValues(points: Points, scale: Scale, chosen: Chosen, value: number): Points {
  const kept = clamp(value, scale.min, scale.max)
  return points.map((p, i) => (chosen.has(i) ? { ...p, value: kept } : p))
}

/** Gives the spans after several points one form; a point that nothing follows stays as it is. */
export function setForms(points: Points, chosen: Chosen, form: Form, bend: number): Points {
  let made = points
  for (const i of chosen) if (i + 1 < points.length) made = setForm(made, i, form, bend)
  return made
}
