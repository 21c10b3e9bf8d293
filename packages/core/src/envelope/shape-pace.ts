import { exp, log } from '../maths'
import { clamp } from '../scale'

/** How often a shape comes in its span, and how that changes. */
export interface Cycles {
  /** Of steps: how many there are. A ramp comes once. */
  readonly cycles: number
  /** How many times as fast its cycles come at the end of the span as at the start; 1 where they are even. */
  readonly pace: number
}

export const MAX_CYCLES = 128
/** How much faster or slower a shape can be at its end than at its start. */
export const MOST_PACE = 64
const ROUNDS = 40

/**
 * Share of a span at which a share of all cycles is done, where cycles come `pace` times as fast at the end as at the start: their
 * rate grows exponentially, as a ball bounces.
 */
export function pacedShare(pace: number, done: number): number {
  const way = log(pace)
  return Math.abs(way) < 1e-9 ? done : log(1 + done * (pace - 1)) / way
}

/** How long the first and the last cycle are, as shares of the span. */
export function cycleEnds({ cycles, pace }: Cycles): {
  readonly first: number
  readonly last: number
} {
  if (cycles <= 1) return { first: 1, last: 1 }
  return { first: pacedShare(pace, 1 / cycles), last: 1 - pacedShare(pace, 1 - 1 / cycles) }
}

/** The value between two bounds at which something that falls passes below 0. */
function crossing(low: number, high: number, falls: (x: number) => number): number {
  let [a, b] = [low, high]
  for (let i = 0; i < ROUNDS; i++) {
    const middle = (a + b) / 2
    if (falls(middle) > 0) a = middle
    else b = middle
  }
  return (a + b) / 2
}

/**
 * How often a shape comes and how it speeds up, so that its first and last cycle are as long as asked, as nearly as whole cycles
 * allow: the last one ends where the span does. Lengths are shares of the span, above 0.
 */
export function cyclesFor(first: number, last: number): Cycles {
  const least = 1 / MAX_CYCLES
  const [f, l] = [clamp(first, least, 1), clamp(last, least, 1)]
  const ratio = clamp(f / l, 1 / MOST_PACE, MOST_PACE)
  // the cycles that would fit: of even length, as many as there are of the mean of both ends
  const even = Math.abs(ratio - 1) < 1e-6
  const count = even ? 1 / f : (1 / f) * ((ratio - 1) / log(ratio))
  const cycles = clamp(Math.round(count), 1, MAX_CYCLES)
  if (even || cycles === 1) return { cycles, pace: 1 }
  const edge = log(MOST_PACE)
  const pace = crossing(-edge, edge, (way) => {
    const ends = cycleEnds({ cycles, pace: exp(way) })
    return ratio - ends.first / ends.last
  })
  return { cycles, pace: exp(pace) }
}
