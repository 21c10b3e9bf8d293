import { levelScale, type Scale } from '../scale'

/** A swing that is over sooner, in seconds, and only so many times what counts as moving, is a trembling hand. */
const TREMBLES_SECONDS = 0.6
const TREMBLES = 2
/** A turn by less than this share of what counts as moving is none at all. */
const NOTHING = 0.3
/** So many small swings show how a hand trembles; swings of so many times what counts as moving are none of them. */
const SWINGS = 10
const SMALL = 4
/** What half a decibel more does to the travel of a level: every change in dB is a scaling of travel. */
const HALF_DB = levelScale.toTravel(0.5) / levelScale.toTravel(0)

/** How much a line must move, in travel, to count as moving at all: 0.5 dB or 1 % of travel, the wider. */
export function hysteresis(scale: Scale, travel: number): number {
  if (scale !== levelScale || travel <= 0) return 0.01
  return Math.max(0.01, Math.abs(Math.min(1, travel * HALF_DB) - travel))
}

/** Indices of the ends and of every place where the heights turn round by more than nearly nothing. */
export function turningPoints(heights: readonly number[], scale: Scale): number[] {
  const turns = [0]
  let way = 0
  let far = 0
  for (let i = 1; i < heights.length; i++) {
    const change = heights[i]! - heights[far]!
    if (way === 0 ? change !== 0 : Math.sign(change) === way) {
      // further the same way
      way = Math.sign(change)
      far = i
    } else if (Math.abs(change) > NOTHING * hysteresis(scale, Math.max(heights[i]!, heights[far]!))) {
      turns.push(far)
      way = Math.sign(change)
      far = i
    }
  }
  if (far > turns.at(-1)!) turns.push(far)
  if (heights.length - 1 > turns.at(-1)!) turns.push(heights.length - 1)
  return turns
}

/**
 * Takes out the smallest swing again and again (persistence, Edelsbrunner and others 2002), while it is too small to be meant: under
 * what counts as moving, or brief and little more, or one of the many by which this hand trembles.
 * @returns the turns that are meant, how far the line trembles (in times of what counts as moving), and whether it does all the time
 */
export function meantTurns(
  turns: readonly number[],
  heights: readonly number[],
  times: readonly number[],
  scale: Scale,
): { turns: number[]; trembles: number; dense: boolean } {
  const swings = new Swings(turns, heights, times, scale)
  const sizes: number[] = []
  for (let size = swings.takeOut(); size !== null; size = swings.takeOut()) sizes.push(size)
  // trembling and what is meant lie apart: where the sizes leap most
  const dense = sizes.length >= SWINGS
  const limit = dense ? leapOf(sizes) : 1
  const last = sizes.findLastIndex((size) => size < limit)
  return {
    turns: swings.without(last + 1),
    trembles: Math.min(limit, Math.max(0.5, sizes[last] ?? 0)),
    dense,
  }
}

/** The swings of a line from turn to turn, of which the smallest can be taken out again and again. */
class Swings {
  readonly #next: Int32Array
  readonly #before: Int32Array
  /** Of the swing that begins at each turn, in times of what counts as moving. */
  readonly #sizes: Float64Array
  /** For each swing that was taken out the turns that went. */
  readonly #gone: (readonly number[])[] = []
  #first = 0
  #last: number

  constructor(
    private readonly turns: readonly number[],
    private readonly heights: readonly number[],
    private readonly times: readonly number[],
    private readonly scale: Scale,
  ) {
    this.#last = turns.length - 1
    this.#next = Int32Array.from(turns, (_, k) => k + 1)
    this.#before = Int32Array.from(turns, (_, k) => k - 1)
    this.#sizes = Float64Array.from(turns, (_, k) => (k < this.#last ? this.#size(k, k + 1) : 0))
  }

  /** Takes out the smallest swing. @returns its size; null where all that are left are meant */
  takeOut(): number | null {
    let smallest = -1
    let least = SMALL
    for (let k = this.#first; k < this.#last; k = this.#next[k]!)
      if (this.#sizes[k]! < least) [smallest, least] = [k, this.#sizes[k]!]
    if (smallest < 0) return null
    const end = this.#next[smallest]!
    const brief = this.#time(end) - this.#time(smallest) < TREMBLES_SECONDS && least < TREMBLES
    if (smallest === this.#first) {
      this.#gone.push([smallest])
      this.#first = end
    } else if (end === this.#last) {
      this.#gone.push([end])
      this.#last = smallest
    } else {
      this.#gone.push([smallest, end])
      const [a, b] = [this.#before[smallest]!, this.#next[end]!]
      this.#next[a] = b
      this.#before[b] = a
      this.#sizes[a] = this.#size(a, b)
    }
    return brief ? Math.min(least, 0.99) : least
  }

  /** The turns that are left without the first so many swings that were taken out. */
  without(count: number): number[] {
    const gone = new Uint8Array(this.turns.length)
    for (let i = 0; i < count; i++) for (const k of this.#gone[i]!) gone[k] = 1
    const kept = this.turns.filter((_, k) => !gone[k])
    return kept.length < 2 ? [] : kept
  }

  #size(a: number, b: number): number {
    const [from, to] = [this.heights[this.turns[a]!]!, this.heights[this.turns[b]!]!]
    return Math.abs(from - to) / hysteresis(this.scale, Math.max(from, to))
  }

  #time(turn: number): number {
    return this.times[this.turns[turn]!]!
  }
}

/** Where sorted sizes leap most, 1…{@link SMALL}: what lies under it is alike. */
function leapOf(sizes: readonly number[]): number {
  const sorted = [...sizes].sort((a, b) => a - b)
  const ends = [...sorted, SMALL]
  let widest = 0
  let limit = 1
  for (let i = 0; i + 1 < ends.length; i++) {
    const low = Math.max(0.5, ends[i]!)
    const leap = ends[i + 1]! / low
    if (ends[i + 1]! >= 1 && leap > widest)
      [widest, limit] = [leap, Math.max(1, Math.sqrt(low * ends[i + 1]!))]
  }
  return limit
}
