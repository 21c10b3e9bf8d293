import { cosPi, gainOfDb, sinPi } from '../../maths'
import { SAMPLE_RATE } from '../../time'
import { settled } from './effect'

/** Coefficients of a biquad, normalised to a0 = 1. One object, rewritten in place. */
export interface Coefficients {
  b0: number
  b1: number
  b2: number
  a1: number
  a2: number
}

export const identity = (): Coefficients => ({ b0: 1, b1: 0, b2: 0, a1: 0, a2: 0 })

/** A bell: R. Bristow-Johnson, Audio EQ Cookbook. `q` as there; exactly nothing at 0 dB. Written to `out`. */
export function bell(frequency: number, db: number, q: number, out: Coefficients): void {
  const a = gainOfDb(db / 2)
  const w = (2 * frequency) / SAMPLE_RATE
  const alpha = sinPi(w) / (2 * q)
  const cos = cosPi(w)
  write(out, 1 + alpha * a, -2 * cos, 1 - alpha * a, 1 + alpha / a, -2 * cos, 1 - alpha / a)
}

/** A low or high shelf of slope 1: Audio EQ Cookbook. Written to `out`. */
export function shelf(side: 'low' | 'high', frequency: number, db: number, out: Coefficients): void {
  const a = gainOfDb(db / 2)
  const w = (2 * frequency) / SAMPLE_RATE
  const cos = side === 'low' ? cosPi(w) : -cosPi(w)
  // with a slope of 1, alpha is sin/2·√2
  const root = 2 * Math.sqrt(a) * sinPi(w) * 0.5 * Math.SQRT2
  const turn = side === 'low' ? 1 : -1
  write(
    out,
    a * (a + 1 - (a - 1) * cos + root),
    turn * 2 * a * (a - 1 - (a + 1) * cos),
    a * (a + 1 - (a - 1) * cos - root),
    a + 1 + (a - 1) * cos + root,
    turn * -2 * (a - 1 + (a + 1) * cos),
    a + 1 + (a - 1) * cos - root,
  )
}

function write(
  out: Coefficients,
  b0: number,
  b1: number,
  b2: number,
  a0: number,
  a1: number,
  a2: number,
): void {
  out.b0 = b0 / a0
  out.b1 = b1 / a0
  out.b2 = b2 / a0
  out.a1 = a1 / a0
  out.a2 = a2 / a0
}

/** A biquad for one channel (transposed direct form II). Its coefficients run straight through the block. */
export class Biquad {
  #s1 = 0
  #s2 = 0

  reset(): void {
    this.#s1 = 0
    this.#s2 = 0
  }

  process(samples: Float32Array, frames: number, from: Coefficients, to: Coefficients): void {
    let s1 = this.#s1
    let s2 = this.#s2
    let { b0, b1, b2, a1, a2 } = from
    const db0 = (to.b0 - b0) / frames
    const db1 = (to.b1 - b1) / frames
    const db2 = (to.b2 - b2) / frames
    const da1 = (to.a1 - a1) / frames
    const da2 = (to.a2 - a2) / frames
    for (let n = 0; n < frames; n++) {
      const x = samples[n]!
      const y = b0 * x + s1
      s1 = b1 * x - a1 * y + s2
      s2 = b2 * x - a2 * y
      samples[n] = y
      b0 += db0
      b1 += db1
      b2 += db2
      a1 += da1
      a2 += da2
    }
    this.#s1 = settled(s1)
    this.#s2 = settled(s2)
  }
}
