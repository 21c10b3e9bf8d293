import { cosPi, gainOfDb, sinPi } from '../../maths'
import { SAMPLE_RATE } from '../../time'
import type { Doubles, Floats, Kernels, MemoryPart } from '../../kernels'

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

/** A biquad for one or two channels (transposed direct form II). Its coefficients run straight from one to the other. */
export class Biquad {
  readonly #state: Doubles
  readonly #coefficients: Doubles
  readonly #kernels: Kernels

  constructor(memory: MemoryPart) {
    this.#kernels = memory.kernels
    this.#state = memory.doubles(4)
    this.#coefficients = memory.doubles(10)
  }

  reset(): void {
    this.#state.view.fill(0)
  }

  /** Filters samples `first` to `end` of a block in place. */
  process(
    channels: readonly Floats[],
    first: number,
    end: number,
    from: Coefficients,
    to: Coefficients,
  ): void {
    const frames = end - first
    const { view } = this.#coefficients
    view[0] = from.b0
    view[1] = from.b1
    view[2] = from.b2
    view[3] = from.a1
    view[4] = from.a2
    view[5] = (to.b0 - from.b0) / frames
    view[6] = (to.b1 - from.b1) / frames
    view[7] = (to.b2 - from.b2) / frames
    view[8] = (to.a1 - from.a1) / frames
    view[9] = (to.a2 - from.a2) / frames
    const skipped = first * Float32Array.BYTES_PER_ELEMENT
    const left = channels[0]!.at + skipped
    const right = channels[channels.length - 1]!.at + skipped
    this.#kernels.biquad(left, right, frames, this.#state.at, this.#coefficients.at)
  }
}
