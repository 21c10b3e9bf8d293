import { words } from '@rudlo/words'
import { expm1, log1p } from '../maths'
import { TICKS_PER_QUARTER } from './ticks'

/** A tempo from `tick` on. A `ramp` runs linearly in ticks to the bpm of the next change. */
export interface TempoChange {
  readonly tick: number
  readonly bpm: number
  readonly form: 'hold' | 'ramp'
}

interface Segment {
  readonly tick: number
  readonly seconds: number
  /** Quarters a minute at the start. */
  readonly bpm: number
  /** Change of bpm for each tick; 0 where the tempo holds. */
  readonly slope: number
}

const SECONDS_PER_TICK_AT_1_BPM = 60 / TICKS_PER_QUARTER

/** Seconds from the start of a segment to `ticks` into it. */
function secondsInto({ bpm, slope }: Segment, ticks: number): number {
  // 60·n/960 · ln(b₁/b₀)/(b₁−b₀), with b₁ = b₀ + slope·ticks, written with ln(1+x)/x so that b₁ ≈ b₀ loses nothing
  const x = (slope * ticks) / bpm
  const stretch = x === 0 ? 1 : log1p(x) / x
  return ((SECONDS_PER_TICK_AT_1_BPM * ticks) / bpm) * stretch
}

/** Ticks from the start of a segment to `seconds` into it: the inverse of {@link secondsInto}. */
function ticksInto({ bpm, slope }: Segment, seconds: number): number {
  const held = (seconds * bpm) / SECONDS_PER_TICK_AT_1_BPM
  const x = (seconds * slope) / SECONDS_PER_TICK_AT_1_BPM
  return x === 0 ? held : held * (expm1(x) / x)
}

/**
 * Turns ticks into seconds and back. Tempo is constant or linear in ticks; after the last change it holds,
 * and a negative time continues the first tempo backwards.
 */
export class TempoMap {
  readonly #segments: readonly Segment[]

  /**
   * @param changes sorted by tick, the first at tick 0, every bpm above 0
   * @throws RangeError where they are not
   */
  constructor(readonly changes: readonly TempoChange[]) {
    const first = changes[0]
    if (!first || first.tick !== 0) throw new RangeError(words('time.tempo-given-tick'))
    const segments: Segment[] = []
    let seconds = 0
    changes.forEach((change, i) => {
      if (!(change.bpm > 0)) throw new RangeError(words('time.tempo-not-above', { i: i + 1 }))
      const before = segments[i - 1]
      if (before) {
        if (change.tick <= before.tick) throw new RangeError(words('time.tempo-out-order', { i: i + 1 }))
        seconds = before.seconds + secondsInto(before, change.tick - before.tick)
      }
      const next = changes[i + 1]
      const slope = change.form === 'ramp' && next ? (next.bpm - change.bpm) / (next.tick - change.tick) : 0
      segments.push({ tick: change.tick, seconds, bpm: change.bpm, slope })
    })
    this.#segments = segments
  }

  /** Seconds from the start of the song to `tick` (fractions of a tick allowed). */
  secondsAt(tick: number): number {
    const segment = this.#find((s) => s.tick <= tick)
    return segment.seconds + secondsInto(segment, tick - segment.tick)
  }

  /** The tick, not rounded, at `seconds` from the start of the song. */
  tickAt(seconds: number): number {
    const segment = this.#find((s) => s.seconds <= seconds)
    return segment.tick + ticksInto(segment, seconds - segment.seconds)
  }

  /** Quarters a minute at `tick`. */
  bpmAt(tick: number): number {
    const segment = this.#find((s) => s.tick <= tick)
    return segment.bpm + segment.slope * (tick - segment.tick)
  }

  /** The last segment for which `isBefore` is true, or the first of all. */
  #find(isBefore: (segment: Segment) => boolean): Segment {
    let low = 0
    let high = this.#segments.length - 1
    while (low < high) {
      const middle = (low + high + 1) >> 1
      if (isBefore(this.#segments[middle]!)) low = middle
      else high = middle - 1
    }
    return this.#segments[low]!
  }
}
