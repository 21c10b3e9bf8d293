import { dbOfGain, exp, log10 } from '../maths'

const OFFSET = -0.691
const LN10_OVER_10 = 0.23025850929940458

/** Loudness in LUFS of a mean square after K-weighting, summed over the channels; −Infinity for silence. */
export function lufsOfEnergy(energy: number): number {
  return energy > 0 ? OFFSET + 10 * log10(energy) : -Infinity
}

/** The mean square that has a loudness: the inverse of {@link lufsOfEnergy}. */
export function energyOfLufs(lufs: number): number {
  return exp((lufs - OFFSET) * LN10_OVER_10)
}

/** A peak amplitude in dB relative to full scale; −Infinity for silence. */
export function dbfs(peak: number): number {
  return peak > 0 ? dbOfGain(peak) : -Infinity
}
