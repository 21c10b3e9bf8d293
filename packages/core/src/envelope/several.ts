import { clamp, raised, type Scale } from '../scale'
import type { Points } from './envelope'

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

/** How far the chosen points can move in time together without crossing a point that stays. */
function room(points: Points, chosen: Chosen, end: number): readonly [number, number] {
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
 * Moves several points together: by ticks, pushed against those that stay, and by dB (a level; silence stays silence)
 * or by so much of the travel.
 * @param end the last tick that a point may have
 */
export function movePoints(
  points: Points,
  scale: Scale,
  chosen: Chosen,
  ticks: number,
  by: number,
  end: number,
): Points {
  const [least, most] = room(points, chosen, end)
  const shift = clamp(Math.round(ticks), least, most)
  return points.map((p, i) => {
    if (!chosen.has(i)) return p
    return { ...p, tick: p.tick + shift, value: raised(scale, p.value, by) }
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
