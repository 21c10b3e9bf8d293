import { exp } from '../../maths'
import { SAMPLE_RATE } from '../../time'

/** Coefficient of a one-pole low-pass with this cut-off: y += c·(x − y). 1 lets everything through. */
export function lowPassCoefficient(frequency: number): number {
  if (frequency >= 19_999) return 1
  return 1 - exp((-2 * Math.PI * frequency) / SAMPLE_RATE)
}

/** Coefficient of the low-pass whose rest is a high-pass with this cut-off. 0 lets everything through. */
export function highPassCoefficient(frequency: number): number {
  if (frequency <= 20.01) return 0
  return 1 - exp((-2 * Math.PI * frequency) / SAMPLE_RATE)
}
