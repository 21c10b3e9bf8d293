import { indexAt, travelAt, travelsOf, valueAt, type Points } from '../envelope'
import { levelScale, type Scale } from '../scale'

/** A stretch in which a line goes one way, or rests. */
export interface Run {
  readonly way: 'rise' | 'fall' | 'rest'
  /** Ticks. Equal for a jump. */
  readonly start: number
  readonly end: number
  /** Values in the control's unit. */
  readonly from: number
  readonly to: number
}

interface Step {
  readonly start: number
  readonly end: number
  readonly from: number
  readonly to: number
}

/** A small swing shorter than this is shaking: a bar of four quarters. */
const WIGGLE = 3840

/** A rest on the way parts a move in two where it lasts at least a quarter. */
const SHORTEST_REST = 960

/** What half a decibel more does to the travel of a level: every change in dB is a scaling of travel. */
const HALF_DB = levelScale.toTravel(0.5) / levelScale.toTravel(0)

/** How much a line must move, in travel, to count as moving at all: 0.5 dB or 1 % of travel, the wider. */
export function hysteresis(scale: Scale, travel: number): number {
  if (scale !== levelScale || travel <= 0) return 0.01
  return Math.max(0.01, Math.abs(Math.min(1, travel * HALF_DB) - travel))
}

/**
 * Splits a line into rises, falls and rests between tick 0 and `length`. Small wiggles do not count; many
 * small steps the same way count as one move.
 * @param wiggle ticks within which a small swing counts as shaking
 */
export function runsOf(points: Points, scale: Scale, length: number, wiggle = WIGGLE): Run[] {
  if (!points.length) return []
  const runs: Run[] = []
  const value = (tick: number) => valueAt(points, scale, tick)
  const rest = (to: number) => {
    const start = runs.at(-1)?.end ?? 0
    if (to > start) runs.push({ way: 'rest', start, end: to, from: value(start), to: value(to) })
  }
  for (const stretch of macroSteps(stepsOf(points, scale, length), scale, wiggle)) {
    const way = stretch.rises ? 'rise' : 'fall'
    for (const part of splitAtRests(stretch.steps, scale)) {
      const first = part[0]!
      const last = part.at(-1)!
      rest(first.start)
      runs.push({
        way,
        start: first.start,
        end: last.end,
        from: scale.toValue(first.from),
        to: scale.toValue(last.to),
      })
    }
  }
  rest(length)
  return runs
}

/** Single spans of the line as steps of travel; a jump is a step without length. */
function stepsOf(points: Points, scale: Scale, length: number): Step[] {
  const steps: Step[] = []
  const last = indexAt(points, length)
  if (last < 0) return []
  const travels = travelsOf(points, scale)
  const add = (start: number, end: number, from: number, to: number) => {
    if (end > start || from !== to) steps.push({ start, end, from, to })
  }
  add(0, points[0]!.tick, travels[0]!, travels[0]!)
  for (let i = 0; i <= last; i++) {
    const { tick, form } = points[i]!
    const travel = travels[i]!
    const next = points[i + 1]
    const end = Math.min(next?.tick ?? length, length)
    if (!next) add(tick, end, travel, travel)
    else if (form === 'jump') {
      add(tick, end, travel, travel)
      if (next.tick <= length) add(end, end, travel, travels[i + 1]!)
    } else add(tick, end, travel, next.tick <= length ? travels[i + 1]! : travelAt(points, scale, length))
  }
  return steps
}

/** Parts the steps at their turning points; turns that are only wiggles do not count. */
function macroSteps(
  steps: readonly Step[],
  scale: Scale,
  wiggle: number,
): { rises: boolean; steps: Step[] }[] {
  const first = steps[0]
  if (!first) return []
  const heights = [first.from, ...steps.map((s) => s.to)]
  const times = [first.start, ...steps.map((s) => s.end)]
  const turns = withoutWiggles(turningPoints(heights), heights, times, scale, wiggle)
  const groups: { rises: boolean; steps: Step[] }[] = []
  for (let k = 0; k + 1 < turns.length; k++) {
    const low = heights[turns[k]!]!
    const high = heights[turns[k + 1]!]!
    let from = turns[k]!
    let to = turns[k + 1]!
    // what stays near the level at either end still rests
    const nearLow = hysteresis(scale, low) / 2
    const nearHigh = hysteresis(scale, high) / 2
    for (let i = from; i < to; i++) if (Math.abs(heights[i]! - low) <= nearLow) from = i
    for (let i = to; i > from; i--) if (Math.abs(heights[i]! - high) <= nearHigh) to = i
    if (to > from) groups.push({ rises: high > low, steps: steps.slice(from, to) })
  }
  return groups
}

/** Indices of the ends and of every place where the heights turn round. */
function turningPoints(heights: readonly number[]): number[] {
  const turns = [0]
  let way = 0
  for (let i = 1; i < heights.length; i++) {
    const change = Math.sign(heights[i]! - heights[i - 1]!)
    if (change === 0) continue
    if (way !== 0 && change !== way) turns.push(i - 1)
    way = change
  }
  turns.push(heights.length - 1)
  return turns
}

/**
 * Takes out the smallest swing again and again while it is below the hysteresis, or below three times that
 * and over within `wiggle` ticks: the shaking of a hand.
 */
function withoutWiggles(
  turns: number[],
  heights: readonly number[],
  times: readonly number[],
  scale: Scale,
  wiggle: number,
): number[] {
  const kept = [...turns]
  for (;;) {
    let smallest = -1
    let least = Infinity
    for (let k = 0; k + 1 < kept.length; k++) {
      const a = heights[kept[k]!]!
      const b = heights[kept[k + 1]!]!
      const wide = hysteresis(scale, Math.max(a, b))
      const size = Math.abs(a - b)
      const brief = times[kept[k + 1]!]! - times[kept[k]!]! < wiggle
      if (size < least && (size < wide || (brief && size < 3 * wide))) {
        least = size
        smallest = k
      }
    }
    if (smallest < 0) return kept
    if (smallest === 0) kept.splice(0, 1)
    else if (smallest === kept.length - 2) kept.pop()
    else kept.splice(smallest, 2)
    if (kept.length < 2) return []
  }
}

/** Takes the flat steps off both ends of a one-way stretch and parts it where it rests on the way. */
function splitAtRests(steps: readonly Step[], scale: Scale): Step[][] {
  const total = Math.abs(steps.at(-1)!.to - steps[0]!.from)
  const ticks = Math.max(1, steps.at(-1)!.end - steps[0]!.start)
  const flat = (s: Step) => {
    const change = Math.abs(s.to - s.from)
    const span = s.end - s.start
    return (
      span >= SHORTEST_REST &&
      change < hysteresis(scale, Math.max(s.from, s.to)) &&
      change / span < (0.25 * total) / ticks
    )
  }
  const parts: Step[][] = [[]]
  for (const step of steps) {
    if (flat(step)) parts.push([])
    else parts.at(-1)!.push(step)
  }
  return parts.filter((p) => p.length && p[0]!.from !== p.at(-1)!.to)
}
