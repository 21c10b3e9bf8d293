import { scratch } from '../kernels'
import { StereoEnergy, type SideEnergies } from './k-weighting'
import { REACH, TruePeak } from './true-peak'

/**
 * A filter that begins in the middle of a sound is told so much of what came before, in seconds: after that its delays are what
 * they would be had it heard everything (the slower of its poles lies at 38 Hz: what is left is below 10⁻⁵⁰).
 */
const LEAD_SECONDS = 0.5

/** Where the hop of a number begins, in samples: hops are whole 100 ms. */
export const hopStart = (hop: number, rate: number): number => Math.round((hop * rate) / 10)

/** How many whole hops a sound has. */
export function hopCount(frames: number, rate: number): number {
  let count = Math.floor((frames / rate) * 10) + 1
  while (count > 0 && hopStart(count, rate) > frames) count--
  return count
}

/** Reads samples `from` (inclusive) to `to` (exclusive) of a channel. */
export type ReadSamples = (channel: number, from: number, to: number) => Float32Array

/** A stretch of a sound in hops: the last one of it also has what comes after the last whole hop. */
export interface Stretch {
  readonly rate: number
  readonly frames: number
  readonly firstHop: number
  /** Exclusive. */
  readonly endHop: number
  readonly isLast: boolean
}

/**
 * Measures a stretch of one or two channels by itself, as it is measured within the whole sound.
 * @param channels one, or two that are taken together
 * @param hops for each channel: mean squares of its hops after K-weighting, written from the first of the stretch on
 * @returns the highest true peak of each channel, as amplitude
 */
export function measureStretch(
  read: ReadSamples,
  channels: readonly number[],
  { rate, frames, firstHop, endHop, isLast }: Stretch,
  hops: readonly Float64Array[],
): number[] {
  const begin = hopStart(firstHop, rate)
  const end = isLast ? frames : hopStart(endHop, rate)
  const lead = Math.max(0, begin - Math.round(LEAD_SECONDS * rate))
  const sides = channels.map((channel) => read(channel, lead, end))
  const energy = new StereoEnergy(rate)
  const part = scratch().memory.part()
  const size = Math.ceil(rate / 10) + 1
  const [left, right] = [part.floats(size), part.floats(size)]
  const sums: SideEnergies = { left: 0, right: 0 }
  const weigh = (from: number, to: number): void => {
    left.view.set(sides[0]!.subarray(from - lead, to - lead))
    right.view.set(sides.at(-1)!.subarray(from - lead, to - lead))
    energy.sum(left, right, 0, to - from, sums)
  }
  for (let at = lead; at < begin; at += size) weigh(at, Math.min(begin, at + size))
  for (let hop = firstHop; hop < endHop; hop++) {
    const [from, to] = [hopStart(hop, rate), hopStart(hop + 1, rate)]
    weigh(from, to)
    hops[0]![hop] = sums.left / (to - from)
    if (hops.length > 1) hops[1]![hop] = sums.right / (to - from)
  }
  part.release()
  return sides.map((samples) => {
    const peak = new TruePeak(samples.subarray(Math.max(0, begin - lead - REACH), begin - lead))
    peak.push(samples, begin - lead, end - lead)
    if (isLast) peak.finish()
    return peak.peak
  })
}
