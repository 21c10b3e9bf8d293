import { travelAt, type Points } from '../envelope'
import type { Segment } from './segments'
import { nameOf, type LineView } from './kinds'
import type { MoveKind } from './move'
import { hysteresis } from './swings'
import { COST, excursion, passage, rhythm, trembling, type Candidate } from './shapes'

/** A candidate that is told, with its name; what is only trembling has none. */
export interface Told {
  readonly found: Candidate
  readonly kind: MoveKind | null
}

/** No move has more parts than this. */
const LONGEST = 24
/** Values that were rested at so many parts ago may be come back to in the middle of a way. */
const REMEMBERED = 5
/** A way is cut where it passes one of them, if at least this share of it lies on either side. */
const MIDDLE = 0.2

/**
 * Ways that pass a value that was left before are cut there: a dip that goes straight into a lift comes back without resting.
 * @returns segments, and which of them end in the middle of a way
 */
export function cutAtKnown(
  segments: readonly Segment[],
  points: Points,
  view: Pick<LineView, 'scale' | 'time'>,
): { segments: Segment[]; midway: boolean[] } {
  const all: Segment[] = []
  const midway: boolean[] = []
  segments.forEach((segment, k) => {
    let rest = segment
    const { from, to } = segment
    const way = to - from
    const known = segments
      .slice(Math.max(0, k - REMEMBERED), k)
      .map((s) => s.from)
      .filter((level) => {
        const share = (level - from) / way
        return k + 1 < segments.length && share > MIDDLE && share < 1 - MIDDLE
      })
      .sort((a, b) => Math.sign(way) * (a - b))
    let before = from
    for (const level of known) {
      if (Math.abs(level - before) < 2 * hysteresis(view.scale, level)) continue
      const tick = crossing(points, view, rest, level)
      const at = view.time.tempo.secondsAt(tick)
      all.push({ ...rest, end: tick, endsAt: at, to: level })
      midway.push(true)
      rest = { ...rest, start: tick, startsAt: at, from: level }
      before = level
    }
    all.push(rest)
    midway.push(false)
  })
  return { segments: all, midway }
}

/** The first tick at which a way is at a travel, or past it. */
export function crossing(
  points: Points,
  { scale }: Pick<LineView, 'scale'>,
  { start, end, from, to }: Pick<Segment, 'start' | 'end' | 'from' | 'to'>,
  travel: number,
): number {
  const sign = Math.sign(to - from)
  let [low, high] = [start, end]
  while (high - low > 1) {
    const middle = (low + high) >> 1
    if (sign * (travelAt(points, scale, middle) - travel) >= 0) high = middle
    else low = middle
  }
  return high
}

/**
 * Tells a whole line as moves in the cheapest way, by dynamic programming over its segments: what each single move costs is said in
 * `shapes`.
 */
export function parse(view: LineView, midway: readonly boolean[]): Told[] {
  const { segments: s, scale } = view
  const best = new Float64Array(s.length + 1).fill(Infinity)
  const told: (Told & { from: number })[] = []
  const length = view.time.tempo.secondsAt(view.time.length)
  best[0] = 0
  for (let j = 0; j < s.length; j++) {
    for (let i = j; i >= Math.max(0, j - LONGEST); i--) {
      const room = best[j + 1]! - best[i]!
      if (room <= COST.trembling) continue
      const near = hysteresis(scale, Math.max(s[i]!.from, s[i]!.to))
      const move = room > COST.move
      const whole = !midway[j] && !(i > 0 && midway[i - 1])
      const extra = (midway[j] ? COST.midway : 0) + (i > 0 && midway[i - 1] ? COST.midway : 0)
      const ways: (Candidate | null)[] = move
        ? [
            whole ? passage(s, i, j, near, length) : null,
            j > i ? excursion(s, i, j, near, length) : null,
            whole ? rhythm(s, i, j) : null,
          ]
        : []
      if (j > i) ways.push(trembling(s, i, j, near))
      for (const found of ways) {
        if (!found) continue
        const cost = best[i]! + found.cost + extra
        if (cost >= best[j + 1]!) continue
        const kind = nameOf(view, found)
        if (!kind && found.shape !== 'trembling') continue
        best[j + 1] = cost
        told[j + 1] = { found, kind, from: i }
      }
    }
  }
  const line: Told[] = []
  for (let j = s.length; j > 0; j = told[j]!.from) line.unshift(told[j]!)
  return line
}
