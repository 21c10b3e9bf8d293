import { SAMPLE_RATE } from '../time'

/** Steps a second in which a recording is outlined. */
export const OUTLINE_RATE = 100
const STEP = SAMPLE_RATE / OUTLINE_RATE

/** A recording in broad strokes, every 10 ms. */
export interface Outline {
  /** Mean square, channels together, full scale 1. */
  readonly level: Float32Array
  /** How much stronger the upper part of the sound is than a moment ago: 0 where it is not, 3 at most. */
  readonly flux: Float32Array
  /** The same of the lower part: drums and basses. */
  readonly thump: Float32Array
}

/** What is added to an energy, so that silence has a logarithm: about −70 dBFS. */
const QUIET = 1e-7
/** A rise is heard from this share of the loudest on: 24 dB below it. */
const AUDIBLE = 0.004
/** Coefficient of the low-pass, and the samples that it is warmed up with. */
const LOW = 0.02
const WARM = 200

/** Outlines a recording of 16-bit samples. */
export function outlineOf(channels: readonly Int16Array[]): Outline {
  const frames = channels[0]?.length ?? 0
  const steps = Math.ceil(frames / STEP)
  const level = new Float32Array(steps)
  const upper = new Float32Array(steps)
  const lower = new Float32Array(steps)
  for (const samples of channels) {
    for (let i = 0; i < steps; i++) {
      const from = i * STEP
      const to = Math.min(frames, from + STEP)
      let plain = 0
      let steep = 0
      let deep = 0
      let low = 0
      // a one-pole low-pass at about 140 Hz, begun anew a little before each step
      for (let n = Math.max(0, from - WARM); n < from; n++) low += LOW * (samples[n]! / 32_768 - low)
      for (let n = from; n < to; n++) {
        const x = samples[n]! / 32_768
        const d = n > 0 ? x - samples[n - 1]! / 32_768 : 0
        low += LOW * (x - low)
        deep += low * low
        plain += x * x
        steep += d * d
      }
      level[i]! += plain / (STEP * channels.length)
      upper[i]! += steep / (STEP * channels.length)
      lower[i]! += deep / (STEP * channels.length)
    }
  }
  return { level, flux: rises(upper), thump: rises(lower) }
}

/** Rises of an energy over the two steps before. The fourth root of the ratio stands in for its logarithm. */
function rises(energy: Float32Array): Float32Array {
  const rising = new Float32Array(energy.length)
  const quiet = QUIET + AUDIBLE * energy.reduce((a, b) => Math.max(a, b), 0)
  for (let i = 2; i < energy.length; i++) {
    const before = (energy[i - 1]! + energy[i - 2]!) / 2
    const now = (energy[i]! + (energy[i + 1] ?? 0)) / 2
    const rise = Math.sqrt(Math.sqrt((now + quiet) / (before + quiet))) - 1
    rising[i] = Math.max(0, Math.min(3, rise))
  }
  return rising
}
