import { indexAt, travelAt, travelsOf, type Points } from '../envelope'
import { levelScale, type Scale } from '../scale'
import type { SongTime } from '../song'
import { hysteresis, meantTurns, turningPoints } from './swings'

/** A stretch in which a line goes one way. What lies between two of them rests. */
export interface Segment {
  /** Ticks; equal for a jump. */
  readonly start: number
  readonly end: number
  /** The same in seconds. */
  readonly startsAt: number
  readonly endsAt: number
  /** Travel, 0…1. */
  readonly from: number
  readonly to: number
}

/** A single span of the line. */
type Step = Segment

/** A way begins and ends where it is further than this share of itself from where it rests. */
const HARDLY = 0.03
/** The same where the hand trembles, so much of the trembling at most. */
const HIDDEN = 0.15
const HIDES = 0.9
/** Travel of a level that nobody hears beside anything: −48 dB. */
const QUIET = levelScale.toTravel(-48)
/** A hand gets going within so many seconds and this share of its way, and then goes so many times as fast. */
const TOE_SECONDS = 2
const TOE = 0.12
const CORNER = 3
/** A line that stands still for so long in the middle of a way rests there, in seconds. */
const SHORTEST_REST = 0.24
/** While it rests it goes at no more than this share of the speed of the way as a whole. */
const REST_SPEED = 0.35
const STILL_SPEED = 0.05

/**
 * Splits a line, between tick 0 and the end of the song, into stretches that go one way. What is too small to be meant does not
 * count, and neither does the trembling of a hand; where a way rests in its middle it is parted in two.
 */
export function segmentsOf(points: Points, scale: Scale, time: SongTime): Segment[] {
  if (!points.length) return []
  const steps = stepsOf(points, scale, time)
  const segments: Segment[] = []
  const { ways, trembles } = waysOf(steps, scale)
  for (const way of ways)
    for (const part of partedAtRests(way, trembles, scale)) {
      const [first, last] = [part[0]!, part.at(-1)!]
      segments.push({
        start: first.start,
        end: last.end,
        startsAt: first.startsAt,
        endsAt: last.endsAt,
        from: first.from,
        to: last.to,
      })
    }
  return segments
}

/** Single spans of the line as steps of travel; a jump is a step without length. */
function stepsOf(points: Points, scale: Scale, time: SongTime): Step[] {
  const { length, tempo } = time
  const steps: Step[] = []
  const last = indexAt(points, length)
  if (last < 0) return []
  const travels = travelsOf(points, scale)
  const add = (start: number, end: number, from: number, to: number) => {
    if (end <= start && from === to) return
    const startsAt = steps.at(-1)?.endsAt ?? 0
    steps.push({ start, end, startsAt, endsAt: end > start ? tempo.secondsAt(end) : startsAt, from, to })
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

/** Parts the steps at their turning points; turns that are only trembling do not count. */
function waysOf(steps: readonly Step[], scale: Scale): { ways: Step[][]; trembles: number } {
  const first = steps[0]
  if (!first) return { ways: [], trembles: 0 }
  const heights = [first.from, ...steps.map((s) => s.to)]
  const times = [first.startsAt, ...steps.map((s) => s.endsAt)]
  const { turns, trembles, dense } = meantTurns(turningPoints(heights, scale), heights, times, scale)
  const ways: Step[][] = []
  for (let k = 0; k + 1 < turns.length; k++) {
    const low = heights[turns[k]!]!
    const high = heights[turns[k + 1]!]!
    let from = turns[k]!
    let to = turns[k + 1]!
    // what stays near the level at either end still rests
    const hardly = (dense ? HIDDEN : HARDLY) * Math.abs(high - low)
    // what trembles hides where it begins; at the stop nothing trembles
    const near = (height: number) =>
      scale === levelScale && height < QUIET
        ? hysteresis(scale, height) / 4
        : Math.max(0.5, Math.min(trembles * HIDES, hardly / hysteresis(scale, height))) *
          hysteresis(scale, height)
    const nearLow = near(low)
    const nearHigh = near(high)
    for (let i = from; i < to; i++) if (Math.abs(heights[i]! - low) <= nearLow) from = i
    for (let i = to; i > from; i--) if (Math.abs(heights[i]! - high) <= nearHigh) to = i
    if (to > from) ways.push(withoutToes(steps.slice(from, to)))
  }
  return { ways, trembles }
}

/** Sixteenths and eighths of triplets, in ticks: a corner just there was set by somebody, a hand comes by anywhere. */
const GRIDS = [240, 320]
const isSet = (tick: number) => GRIDS.some((grid) => tick % grid === 0)

/** Takes off how a hand gets going and comes to rest: a slow piece at either end, with a corner where the way itself begins. */
function withoutToes(way: Step[]): Step[] {
  const size = Math.abs(way.at(-1)!.to - way[0]!.from)
  const speed = ({ startsAt, endsAt, from, to }: Step) => Math.abs(to - from) / (endsAt - startsAt)
  const isToe = (step: Step, next: Step, corner: number) =>
    !isSet(corner) &&
    Math.abs(step.to - step.from) < TOE * size &&
    step.endsAt - step.startsAt <= TOE_SECONDS &&
    speed(next) > CORNER * speed(step)
  let [first, last] = [0, way.length - 1]
  while (first < last && isToe(way[first]!, way[first + 1]!, way[first]!.end)) first++
  while (last > first && isToe(way[last]!, way[last - 1]!, way[last]!.start)) last--
  return way.slice(first, last + 1)
}

/** Parts a way where it rests; rests at its ends are no part of it. */
function partedAtRests(steps: readonly Step[], trembles: number, scale: Scale): Step[][] {
  const [first, last] = [steps[0]!, steps.at(-1)!]
  const takes = Math.max(1e-6, last.endsAt - first.startsAt)
  const speed = Math.abs(last.to - first.from) / takes
  const parts: Step[][] = [[]]
  for (let i = 0; i < steps.length;) {
    // the longest stretch from here on in which hardly anything changes
    const near = hysteresis(scale, steps[i]!.from) * Math.max(0.6, trembles)
    let end = i
    while (end < steps.length && Math.abs(steps[end]!.to - steps[i]!.from) < near) end++
    const rests = end > i ? steps[end - 1]!.endsAt - steps[i]!.startsAt : 0
    const goes = end > i ? Math.abs(steps[end - 1]!.to - steps[i]!.from) : 0
    // what is slow at either end is the beginning of the way, unless it stands still
    const atEnd =
      Math.abs(steps[i]!.from - first.from) < near ||
      Math.abs(last.to - steps[Math.max(i, end - 1)]!.to) < near
    const slow = atEnd ? STILL_SPEED : REST_SPEED
    const quiet = scale === levelScale && steps[i]!.from < QUIET && steps[i]!.from > 0
    if (!quiet && rests >= SHORTEST_REST && goes / rests < slow * speed) {
      parts.push([])
      i = end
    } else parts.at(-1)!.push(steps[i++]!)
  }
  return parts.filter((p) => p.length && p[0]!.from !== p.at(-1)!.to)
}
