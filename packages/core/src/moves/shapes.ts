import type { Segment } from './segments'

/** What one or several stretches of a line are together. Indices are of segments; both ends belong to it. */
export interface Candidate {
  readonly shape: 'passage' | 'excursion' | 'rhythm' | 'trembling'
  readonly first: number
  readonly last: number
  /** Travel that it leaves, goes to and ends at. */
  readonly from: number
  readonly goal: number
  readonly to: number
  /** The segment that gets it to its goal, and the one that leaves it again; the same for a passage. */
  readonly arrives: number
  readonly leaves: number
  /** In how many steps it gets there: 1 where it goes in one way. */
  readonly steps: number
  /** Its longest rest on the way, in seconds; 0 where it does not rest. */
  readonly rest: number
  /** How far it goes past its goal before it settles, in travel. */
  readonly overshoot: number
  /** How far it goes backwards on its way, in all, in travel. */
  readonly unsteady: number
  /** What it takes to say all of this, see {@link COST}. */
  readonly cost: number
}

/**
 * What a description costs: a move is 1, and what has to be said about it costs more the stranger it is. The cheapest way to tell
 * the whole line is what a person sees in it (minimum description length, Rissanen 1978).
 */
export const COST = {
  move: 1,
  /** A line that trembles there without going anywhere. */
  trembling: 0.5,
  rhythm: 1.4,
  /** To go in one more step, before its rest is counted. */
  step: 0.12,
  /** A rest of {@link LONG_REST}: as dear as another move. */
  rest: 0.88,
  /** To go past the goal and settle, and so much more by its share of the way. */
  overshoot: 0.08,
  overshootShare: 0.5,
  /** To go backwards on the way, and so much more by its share of the way. */
  back: 0.2,
  backShare: 1.2,
  /** To come back to somewhere else than where it left, by its share of the way. */
  elsewhere: 1,
  /** To go to a value and rest there for no time at all. */
  unrested: 0.35,
  /** To be away longer than at home: by the share of the time that it is away. */
  away: 0.3,
  /** To end in the middle of a way. */
  midway: 0.05,
} as const

/** A rest that parts a move in two, in seconds, and as a share of the move. */
const LONG_REST = { least: 5, share: 0.35, most: 6 }
/** Stairs may rest longer, each of them; no step longer than so many times the middle one. */
const STAIRS = 3
const STAIR = 2.5
/** Who goes past the goal settles within so many seconds, and goes no further past it than this share of the way. */
const SETTLES_SECONDS = 1.2
const PAST = 0.6
/** On the way it goes backwards by no more than this share of the way. */
const BACKWARDS = 0.35
/** So little of the way is no going backwards, only trembling. */
const LITTLE = 0.12
/** What comes back comes to within this share of its depth of where it left. */
const COMES_BACK = 0.35
/** A goal lies at least so far out, as a share of the furthest. */
const GOAL_SHARE = 0.55

/** Seconds between the end of a segment and the start of the next. */
const gapAfter = (s: readonly Segment[], k: number) => s[k + 1]!.startsAt - s[k]!.endsAt

/** What rests on the way cost together. @param takes seconds of the whole way */
function restsCost(rests: readonly number[], takes: number): number {
  const middle = rests.length < STAIRS ? 0 : [...rests].sort((a, b) => a - b)[rests.length >> 1]!
  const usual = Math.min(LONG_REST.most, Math.max(LONG_REST.least, LONG_REST.share * takes))
  const long = middle ? STAIR * middle : usual
  return rests.reduce((sum, rest) => sum + COST.step + COST.rest * (rest / long) * (rest / long), 0)
}

/** What is learnt of a stretch that goes one way on the whole. */
interface Way {
  readonly steps: number
  readonly rest: number
  readonly overshoot: number
  readonly unsteady: number
  readonly cost: number
}

/**
 * Looks at segments `i`…`j` as one way from `from` to `goal`, in steps and with rests, going past the goal and settling, a little
 * backwards now and then.
 * @returns null where they are no such thing
 */
function wayOf(
  s: readonly Segment[],
  i: number,
  j: number,
  from: number,
  goal: number,
  near: number,
): Way | null {
  const sign = Math.sign(goal - from)
  const size = Math.abs(goal - from)
  if (!size) return null
  const takes = s[j]!.endsAt - s[i]!.startsAt
  let cost = 0
  let steps = 0
  const rests: number[] = []
  let unsteady = 0
  let peak = 0
  let peakAt = i - 1
  let flows = false
  for (let k = i; k <= j; k++) {
    const { from: a, to: b } = s[k]!
    const forwards = sign * (b - a)
    const height = sign * (b - from)
    const gap = k < j ? gapAfter(s, k) : 0
    if (height > peak) [peak, peakAt] = [height, k]
    const settles = peak > size && peakAt >= i
    const short = sign * (goal - b) > LITTLE * size
    if (forwards < 0 && (short || !(settles && k === peakAt + 1))) {
      // it went backwards before it was there: by little, and at once
      const little = -forwards < Math.min(LITTLE * size, TREMBLES * near)
      if (height < -Math.max(near, LITTLE * size)) return null
      if (
        -forwards > BACKWARDS * size ||
        (!little && Math.max(gap, k > i ? gapAfter(s, k - 1) : 0) > SETTLES_SECONDS)
      )
        return null
      unsteady -= forwards
      cost += COST.back + (COST.backShare * -forwards) / size
    }
    if (forwards > 0 && !flows) steps++
    flows = forwards > 0 && gap === 0
    if (gap > 0 && !settles) rests.push(gap)
  }
  const overshoot = Math.max(0, peak - size)
  if (overshoot > 0) {
    if (overshoot > PAST * size) return null
    // it has to settle soon, and in one go
    const settles = s[j]!.endsAt - s[peakAt]!.endsAt
    if (peakAt < j && (settles > SETTLES_SECONDS + 0.15 * takes || j - peakAt > 2)) return null
    cost += COST.overshoot + (COST.overshootShare * overshoot) / size
  }
  cost += restsCost(rests, takes)
  return { steps: Math.max(1, steps), rest: Math.max(0, ...rests), overshoot, unsteady, cost }
}

/** Who rests for so many seconds has come to rest. */
const RESTS_SECONDS = 4

/**
 * From one resting value to another.
 * @param near travel that counts as no change
 * @param length of the song in seconds
 */
export function passage(
  s: readonly Segment[],
  i: number,
  j: number,
  near: number,
  length: number,
): Candidate | null {
  const from = s[i]!.from
  const to = s[j]!.to
  const way = wayOf(s, i, j, from, to, near)
  if (!way) return null
  const rests = j + 1 < s.length ? gapAfter(s, j) : length
  return {
    shape: 'passage',
    first: i,
    last: j,
    from,
    goal: to,
    to,
    arrives: j,
    leaves: j,
    ...way,
    cost: COST.move + way.cost + COST.unrested * Math.max(0, 1 - rests / RESTS_SECONDS),
  }
}

/** The share that it is away of the time that it is away and at home, before or after. */
function awayShare(s: readonly Segment[], i: number, j: number, length: number): number {
  const away = s[j]!.endsAt - s[i]!.startsAt
  const before = s[i]!.startsAt - (s[i - 1]?.endsAt ?? 0)
  const after = (s[j + 1]?.startsAt ?? length) - s[j]!.endsAt
  return away / Math.max(1e-6, away + 2 * Math.max(before, after))
}

/**
 * Leaves a resting value for another, and comes back to it.
 * @param near travel that counts as no change
 * @param length of the song in seconds
 */
export function excursion(
  s: readonly Segment[],
  i: number,
  j: number,
  near: number,
  length: number,
): Candidate | null {
  if (j === i) return null
  const from = s[i]!.from
  const sign = Math.sign(s[i]!.to - from)
  let furthest = 0
  for (let k = i; k < j; k++) {
    const out = sign * (s[k]!.to - from)
    furthest = Math.max(furthest, out)
  }
  if (furthest <= near) return null
  // the goal is where it rests longest, far out, or as far out as it gets
  let [longest, extreme] = [i, i]
  let dwell = -1
  for (let k = i; k < j; k++) {
    const out = sign * (s[k]!.to - from)
    if (out > sign * (s[extreme]!.to - from)) extreme = k
    const gap = gapAfter(s, k)
    if (out >= GOAL_SHARE * furthest && gap > dwell) [longest, dwell] = [k, gap]
  }
  // too far from where it left, whatever it went to
  if (Math.abs(s[j]!.to - from) > Math.max(COMES_BACK * furthest, near)) return null
  const first = excursionBy(s, i, longest, j, near, length)
  if (extreme === longest) return first
  const second = excursionBy(s, i, extreme, j, near, length)
  return !first || (second && second.cost < first.cost) ? second : first
}

/** The same with its goal where segment `turn` ends. */
function excursionBy(
  s: readonly Segment[],
  i: number,
  turn: number,
  j: number,
  near: number,
  length: number,
): Candidate | null {
  const from = s[i]!.from
  const to = s[j]!.to
  const goal = s[turn]!.to
  const sign = Math.sign(goal - from)
  const depth = Math.abs(goal - from)
  for (let k = i; k < turn; k++) if (sign * (s[k]!.to - from) < -LITTLE * depth) return null
  const off = Math.abs(to - from)
  if (off > Math.max(COMES_BACK * depth, near)) return null
  const there = wayOf(s, i, turn, from, goal, near)
  const back = wayOf(s, turn + 1, j, goal, to, near)
  if (!there || !back) return null
  return {
    shape: 'excursion',
    first: i,
    last: j,
    from,
    goal,
    to,
    arrives: turn,
    leaves: turn + 1,
    steps: Math.max(there.steps, back.steps),
    rest: Math.max(there.rest, back.rest),
    overshoot: Math.max(there.overshoot, back.overshoot),
    unsteady: there.unsteady + back.unsteady,
    cost:
      COST.move +
      there.cost +
      back.cost +
      (COST.elsewhere * off) / depth +
      COST.away * awayShare(s, i, j, length),
  }
}

/** So many changes to and fro are a rhythm … */
const RHYTHM = 7
/** … where none is further from their middle size than this share of it, nor from their middle time. */
const ALIKE = 0.45
/** … and they follow each other within so many seconds. */
const RHYTHM_SECONDS = 2.2

/** To and fro between two values, in time. */
export function rhythm(s: readonly Segment[], i: number, j: number): Candidate | null {
  if (j - i + 1 < RHYTHM || s[i + 2]!.startsAt - s[i]!.startsAt > RHYTHM_SECONDS * (1 + ALIKE)) return null
  const sizes: number[] = []
  const rounds: number[] = []
  for (let k = i; k <= j; k++) {
    const change = s[k]!.to - s[k]!.from
    if (k > i && Math.sign(change) === Math.sign(s[k - 1]!.to - s[k - 1]!.from)) return null
    sizes.push(Math.abs(change))
    // from one change to the next of the same way: long and short may take turns
    if (k >= i + 2) rounds.push(s[k]!.startsAt - s[k - 2]!.startsAt)
  }
  const alike = (list: number[]) => {
    const middle = [...list].sort((a, b) => a - b)[list.length >> 1]!
    return list.every((x) => Math.abs(x - middle) <= ALIKE * middle) ? middle : null
  }
  const round = alike(rounds)
  if (alike(sizes) === null || round === null || round > RHYTHM_SECONDS) return null
  const whole = { shape: 'rhythm', first: i, last: j, from: s[i]!.from, goal: s[i]!.to } as const
  const still = { steps: j - i + 1, rest: 0, overshoot: 0, unsteady: 0 }
  return { ...whole, ...still, to: s[j]!.to, arrives: i, leaves: j, cost: COST.rhythm }
}

/** Small swings that follow each other at once and go nowhere, in seconds apart. */
const TREMBLES_SECONDS = 1
const TREMBLES = 3

/** Goes a little to and fro, and nowhere: what is left of a hand that is not steady. */
export function trembling(s: readonly Segment[], i: number, j: number, near: number): Candidate | null {
  if (j === i) return null
  const from = s[i]!.from
  for (let k = i; k <= j; k++) {
    if (Math.abs(s[k]!.to - from) > TREMBLES * near) return null
    if (k < j && gapAfter(s, k) > TREMBLES_SECONDS) return null
  }
  const to = s[j]!.to
  const lasts = s[j]!.endsAt - s[i]!.startsAt
  // one swing alone has to be very short: a small lift may be meant
  if (Math.abs(to - from) > near || (j - i < 3 && lasts > TREMBLES_SECONDS)) return null
  const swings = { steps: 1, rest: 0, overshoot: 0, unsteady: 0 }
  return {
    shape: 'trembling',
    first: i,
    last: j,
    from,
    goal: from,
    to,
    arrives: i,
    leaves: j,
    ...swings,
    cost: COST.trembling,
  }
}
