import { lufsOfEnergy } from '../loudness'
import type { SongTime } from '../song'
import { DEEPEST, GATE, hopsAround, hundredth, lossOf } from './loss'
import { energies, HOPS, type Part } from './part'

/** One of two tracks that cross: as it sounds, and with its line held at its loud end. */
export interface CrossingSide {
  readonly played: Part
  readonly held: Part
}

/**
 * Two tracks that cross, every 100 ms: one leaves while the other comes. Plain data, kept as JSON. In LU; null where nothing could be
 * heard.
 */
export interface CrossingPicture {
  /** From where the first of both lines moves to where the last one stands still, in ticks. */
  readonly start: number
  readonly end: number
  /** The first hop that is shown, of ten a second from the start of the song. */
  readonly first: number
  /** How much softer each of both is than with its line held at its loud end: 0 and below. */
  readonly leaves: readonly (number | null)[]
  readonly comes: readonly (number | null)[]
  /** Both together over an even hand-over, in which power goes from one to the other: below 0 something is missing. */
  readonly sum: readonly (number | null)[]
  /** The tick at which both are equally far down; null where they never are, or nothing can be heard. */
  readonly meet: number | null
  /** The deepest place of the sum, and how deep it is; null where nothing is missing. */
  readonly hole: { readonly tick: number; readonly deep: number } | null
}

/** From so many LU on something is missing: less is hardly told from nothing. */
const THIN = 1
/** From so many LU on that is a hole, as a task that asks for a crossing has it where it says nothing else. */
export const HOLE_LU = 4
/** So many hops make one look at the sum: the momentary loudness of EBU Tech 3341, which no single hit decides. */
const WINDOW = 4

/** Energies around each hop, over the window of the momentary loudness. */
function around(energy: Float64Array): Float64Array {
  return energy.map((_, i) => {
    const from = Math.max(0, i - WINDOW / 2)
    const to = Math.min(energy.length, i + WINDOW / 2)
    let sum = 0
    for (let k = from; k < to; k++) sum += energy[k]!
    return sum / (to - from)
  })
}

/**
 * What is heard of two lines that cross: each beside itself held at its loud end, and both together beside an even hand-over. What
 * else changes in the song cancels out.
 * @param stretch ticks: from the first point of the crossing to the last
 */
export function crossingPicture(
  time: SongTime,
  { start, end }: { readonly start: number; readonly end: number },
  leaves: CrossingSide,
  comes: CrossingSide,
): CrossingPicture {
  const [out, outHeld, into, intoHeld] = [leaves.played, leaves.held, comes.played, comes.held].map((part) =>
    around(energies(part)),
  ) as [Float64Array, Float64Array, Float64Array, Float64Array]
  const [first, last] = hopsAround(time, { start, end }, out.length)
  const hops = Array.from({ length: last - first }, (_, i) => first + i)
  const share = (hop: number) => {
    const tick = time.tempo.tickAt((hop + 0.5) / HOPS)
    return Math.min(1, Math.max(0, (tick - start) / Math.max(1, end - start)))
  }
  const sum = hops.map((hop) => {
    const handed = (1 - share(hop)) * outHeld[hop]! + share(hop) * intoHeld[hop]!
    const wanted = lufsOfEnergy(handed)
    return wanted < GATE ? null : Math.max(DEEPEST, lufsOfEnergy(out[hop]! + into[hop]!) - wanted)
  })
  const tickOf = (place: number) => Math.round(time.tempo.tickAt((first + place + 0.5) / HOPS))
  const inside = (place: number) => tickOf(place) >= start && tickOf(place) <= end
  const [gone, come] = [
    hops.map((hop) => lossOf(out[hop]!, outHeld[hop]!)),
    hops.map((hop) => lossOf(into[hop]!, intoHeld[hop]!)),
  ]
  const deepest = sum.reduce<number>(
    (best, lu, i) => (inside(i) && lu !== null && lu < (sum[best] ?? 0) ? i : best),
    -1,
  )
  const deep = -(sum[deepest] ?? 0)
  const met = hops.findIndex((_, i) => {
    const [a, b] = [gone[i] ?? null, come[i] ?? null]
    return inside(i) && a !== null && b !== null && a <= b
  })
  return {
    start,
    end,
    first,
    leaves: gone.map(hundredth),
    comes: come.map(hundredth),
    sum: sum.map(hundredth),
    meet: met < 0 ? null : tickOf(met),
    hole: deep >= THIN ? { tick: tickOf(deepest), deep: Math.round(deep * 10) / 10 } : null,
  }
}
