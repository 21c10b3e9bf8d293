import { energyOfLufs, loudnessTrace, lufsOfEnergy } from '../loudness'
import { log10 } from '../maths'
import { SAMPLE_RATE } from '../time'

/** Hops a second. */
export const HOPS = 10

/** One part of the sound, or the whole of it, measured every 100 ms. Plain typed arrays, so that workers can send it. */
export interface Part {
  /** Mean square after K-weighting, of each side. */
  readonly left: Float64Array
  readonly right: Float64Array
  /**
   * Mean square of the sound and of its first difference, both sides together: how bright it is follows from them. Of the
   * whole and of tracks; null of what a return adds.
   */
  readonly bright: { readonly plain: Float64Array; readonly steep: Float64Array } | null
  /** Highest true peak of each hop, dBTP; −Infinity for silence. Of the whole alone. */
  readonly peaks: Float64Array | null
}

/** A stretch of the song in seconds. */
export interface Seconds {
  readonly from: number
  readonly to: number
}

export function emptyPart(hops: number, whole = false, brightToo = whole): Part {
  const zeros = () => new Float64Array(hops)
  const bright = brightToo ? { plain: zeros(), steep: zeros() } : null
  return { left: zeros(), right: zeros(), bright, peaks: whole ? zeros() : null }
}

/** What follows from a part, which never changes: asked for again and again, section by section and check by check. */
function once<Out>(of: (part: Part) => Out): (part: Part) => Out {
  const known = new WeakMap<Part, Out>()
  return (part) => {
    const before = known.get(part)
    if (before !== undefined) return before
    const made = of(part)
    known.set(part, made)
    return made
  }
}

/** Energies of both sides together, hop by hop. Not to be written to. */
export const energies = once(({ left, right }: Part): Float64Array => left.map((e, i) => e + right[i]!))

/** What several parts are together. Their energies add, since the parts of a band are hardly alike. */
export function together(parts: readonly Part[], hops: number): Float64Array {
  const sum = new Float64Array(hops)
  for (const part of parts) energies(part).forEach((e, i) => (sum[i]! += e))
  return sum
}

/** Hops that lie wholly or for the most part in a stretch, as [first, after the last]. */
export function hopsIn({ from, to }: Seconds, hops: number): [number, number] {
  const first = Math.min(hops, Math.max(0, Math.round(from * HOPS)))
  return [first, Math.min(hops, Math.max(first, Math.round(to * HOPS)))]
}

/** Loudness of a stretch as one number, ungated, in LUFS; −Infinity for silence. */
export function loudnessIn(energy: ArrayLike<number>, stretch: Seconds): number {
  const [first, last] = hopsIn(stretch, energy.length)
  let sum = 0
  for (let i = first; i < last; i++) sum += energy[i]!
  return last > first ? lufsOfEnergy(sum / (last - first)) : -Infinity
}

/** A part sounds where it is within this of its own loudest momentary loudness, in LU. */
const SOUNDS_LU = 20

/** Hops in which a part sounds. */
export const sounding = once((part: Part): readonly boolean[] => {
  const trace = loudnessTrace(energies(part), 4)
  const loudest = trace.reduce((a, b) => Math.max(a, b), -Infinity)
  return Array.from(trace, (l) => l > -70 && l > loudest - SOUNDS_LU)
})

/**
 * How far a part stands over others in a stretch, where it sounds: both summed over the same hops, in LU.
 * @returns null where it does not sound in the stretch
 */
export function over(part: Part, others: ArrayLike<number>, stretch: Seconds): number | null {
  const on = sounding(part)
  const own = energies(part)
  const [first, last] = hopsIn(stretch, own.length)
  let mine = 0
  let theirs = 0
  for (let i = first; i < last; i++) {
    if (!on[i]) continue
    mine += own[i]!
    theirs += others[i]!
  }
  if (!mine) return null
  return 10 * log10(mine / Math.max(theirs, energyOfLufs(-100)))
}

/** Left over right in a stretch, in dB; null for silence. */
export function leftOverRight({ left, right }: Part, stretch: Seconds): number | null {
  const [l, r] = [left, right].map((side) => loudnessIn(side, stretch))
  return Number.isFinite(l) && Number.isFinite(r) ? l! - r! : null
}

/**
 * Where the middle of the spectrum is in a stretch, in Hz: the root mean square frequency, which follows from the energy
 * of the first difference (a difference weights by 4·sin²(ω/2)). Null for silence.
 */
export function brightness({ bright }: Part, stretch: Seconds): number | null {
  if (!bright) return null
  const { plain, steep } = bright
  const [first, last] = hopsIn(stretch, plain.length)
  let energy = 0
  let difference = 0
  for (let i = first; i < last; i++) {
    energy += plain[i]!
    difference += steep[i]!
  }
  return energy > 0 ? (SAMPLE_RATE / 6.283185307179586) * Math.sqrt(difference / energy) : null
}
