import { exp } from './exp'
import { log } from './log'

const LN10_OVER_20 = 0.11512925464970229
const DB_PER_NEPER = 8.685889638065037

/** x^y for x ≥ 0. Relative error about (1 + |y·ln x|)·3e-16. 0^y is 0 for y > 0. */
export function pow(x: number, y: number): number {
  if (y === 0) return 1
  if (x === 0) return y > 0 ? 0 : Infinity
  return exp(y * log(x))
}

/** Amplitude ratio of a level in dB: 10^(dB/20). */
export function gainOfDb(db: number): number {
  return exp(db * LN10_OVER_20)
}

/** Level in dB of an amplitude ratio: 20·log₁₀(gain); −Infinity at 0. */
export function dbOfGain(gain: number): number {
  return log(gain) * DB_PER_NEPER
}
