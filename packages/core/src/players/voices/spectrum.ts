import { exp, log } from '../../maths'

/** A resonance: 1 at its frequency, a half at `wide` Hz beside it. */
export function hill(hz: number, at: number, wide: number): number {
  const off = (hz - at) / wide
  return 1 / (1 + off * off)
}

/** How much weaker harmonic `k` is, for a power of 1 a half every octave. */
export const falls = (k: number, power: number): number => exp(-power * log(k))

/** What a body or a bell lets through: all below `at` Hz, a half at it, a sixteenth every octave above. */
export function below(hz: number, at: number): number {
  const square = (hz / at) * (hz / at)
  return 1 / (1 + square * square)
}
