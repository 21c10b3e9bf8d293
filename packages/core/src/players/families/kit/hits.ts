import { exp } from '../../../maths'
import { RATE } from '../../note'
import { readTable, SINE } from '../../wavetable'

/** Where a hit goes, and how strong it is, 0…1. */
export interface Hit {
  readonly out: Float32Array
  /** The sample that it begins at. */
  readonly from: number
  readonly strength: number
  readonly random: () => number
  /** The sample at which something else shuts it, as a foot shuts a hi-hat. */
  readonly choked: number
}

/** Writes one hit. */
export type Stroke = (hit: Hit) => void

const shrinkOf = (seconds: number) => exp(-6.907755 / (seconds * RATE))
/** A choked hit is gone in 30 ms. */
const CHOKED = shrinkOf(0.03)

/** A skin that is struck: a tone that falls to its pitch while it dies away. */
export function skin(tone: {
  /** Hz, where it begins and where it ends up. */
  readonly from: number
  readonly to: number
  /** Seconds in which it falls most of the way. */
  readonly falls: number
  /** Seconds to −60 dB. */
  readonly rings: number
  readonly amplitude: number
}): Stroke {
  return ({ out, from, strength }) => {
    const shrink = shrinkOf(tone.rings)
    const bend = shrinkOf(tone.falls * 3)
    const frames = Math.min(Math.round(tone.rings * RATE), out.length - from)
    let phase = 0
    let level = strength * tone.amplitude
    let above = tone.from - tone.to
    for (let n = 0; n < frames; n++) {
      out[from + n]! += readTable(SINE, phase) * level * Math.min(1, n / 40)
      phase += (tone.to + above) / RATE
      phase -= Math.floor(phase)
      above *= bend
      level *= shrink
    }
  }
}

/** Noise in a band: snares, beads, breath, the hiss of a cymbal. */
export function rattle(noise: {
  /** Middle of the band in Hz, and its width as a share of the middle. */
  readonly hz: number
  readonly wide: number
  readonly rings: number
  readonly amplitude: number
  /** Seconds until it is strongest. */
  readonly attack?: number
}): Stroke {
  return ({ out, from, strength, random, choked }) => {
    const shrink = shrinkOf(noise.rings)
    const frames = Math.min(Math.round(noise.rings * RATE), out.length - from)
    const f = Math.min(1.1, (6.2832 * noise.hz) / RATE)
    const attack = Math.max(1, (noise.attack ?? 0.001) * RATE)
    let low = 0
    let band = 0
    let level = strength * noise.amplitude
    for (let n = 0; n < frames; n++) {
      low += f * band
      band += f * (random() * 2 - 1 - low - noise.wide * band)
      out[from + n]! += band * level * Math.min(1, n / attack)
      level *= from + n > choked ? CHOKED : shrink
    }
  }
}

/** Six squares that have nothing to do with each other, above a frequency: metal that rings in all its modes. */
export function metal(plate: {
  /** Hz of the lowest of the six. */
  readonly hz: number
  /** Nothing below this is heard. */
  readonly above: number
  readonly rings: number
  readonly amplitude: number
}): Stroke {
  const RATIOS = [1, 1.342, 1.2312, 1.6532, 1.9523, 2.1523]
  return ({ out, from, strength, choked }) => {
    const shrink = shrinkOf(plate.rings)
    const frames = Math.min(Math.round(plate.rings * RATE), out.length - from)
    const steps = RATIOS.map((r) => (r * plate.hz) / RATE)
    const phases = RATIOS.map((_, i) => i / RATIOS.length)
    const high = Math.min(0.95, (6.2832 * plate.above) / RATE)
    let low = 0
    let lower = 0
    let level = (strength * plate.amplitude) / 3
    for (let n = 0; n < frames; n++) {
      let x = 0
      for (let i = 0; i < phases.length; i++) {
        const phase = phases[i]! + steps[i]!
        phases[i] = phase - Math.floor(phase)
        x += phases[i]! < 0.5 ? 1 : -1
      }
      low += high * (x - low)
      const once = x - low
      lower += high * (once - lower)
      out[from + n]! += (once - lower) * level * Math.min(1, n / 30)
      level *= from + n > choked ? CHOKED : shrink
    }
  }
}

/** Several strokes as one. */
export const both =
  (...strokes: readonly Stroke[]): Stroke =>
  (hit) =>
    strokes.forEach((stroke) => stroke(hit))

/** The same a little later, in seconds, and weaker. */
export const later =
  (seconds: number, share: number, stroke: Stroke): Stroke =>
  (hit) =>
    stroke({ ...hit, from: hit.from + Math.round(seconds * RATE), strength: hit.strength * share })
