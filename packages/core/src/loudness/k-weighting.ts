import { gainOfDb, pow, tanPi } from '../maths'
import { scratch, type Floats } from '../kernels'

/** Coefficients of a biquad, normalised to a0 = 1. */
export interface Biquad {
  readonly b0: number
  readonly b1: number
  readonly b2: number
  readonly a1: number
  readonly a2: number
}

/**
 * The two filters of the K-weighting of ITU-R BS.1770-4 for any sample rate. The standard gives coefficients
 * at 48 kHz only; these come from the analogue prototypes they were made from (B. De Man, "Evaluation of
 * implementations of the EBU R128 loudness measurement", AES 2018).
 */
export function kWeighting(rate: number): { shelf: Biquad; highPass: Biquad } {
  return { shelf: shelf(rate), highPass: highPass(rate) }
}

function shelf(rate: number): Biquad {
  const k = tanPi(1681.974450955533 / rate)
  const q = 0.7071752369554196
  const high = gainOfDb(3.999843853973347)
  const band = pow(high, 0.4996667741545416)
  const a0 = 1 + k / q + k * k
  return {
    b0: (high + (band * k) / q + k * k) / a0,
    b1: (2 * (k * k - high)) / a0,
    b2: (high - (band * k) / q + k * k) / a0,
    a1: (2 * (k * k - 1)) / a0,
    a2: (1 - k / q + k * k) / a0,
  }
}

function highPass(rate: number): Biquad {
  const k = tanPi(38.13547087602444 / rate)
  const q = 0.5003270373238773
  const a0 = 1 + k / q + k * k
  return { b0: 1, b1: -2, b2: 1, a1: (2 * (k * k - 1)) / a0, a2: (1 - k / q + k * k) / a0 }
}

/** K-weights one channel as it comes and sums its energy. */
export class KWeightedEnergy {
  readonly #c: { shelf: Biquad; highPass: Biquad }
  #s1 = 0
  #s2 = 0
  #h1 = 0
  #h2 = 0

  constructor(rate: number) {
    this.#c = kWeighting(rate)
  }

  /** Sum of the squares of the weighted samples `from` (inclusive) to `to` (exclusive). */
  sum(samples: Float32Array, from: number, to: number): number {
    const { b0, b1, b2, a1, a2 } = this.#c.shelf
    const { a1: g1, a2: g2 } = this.#c.highPass
    let s1 = this.#s1
    let s2 = this.#s2
    let h1 = this.#h1
    let h2 = this.#h2
    let energy = 0
    for (let n = from; n < to; n++) {
      const x = samples[n]!
      const y = b0 * x + s1
      s1 = b1 * x - a1 * y + s2
      s2 = b2 * x - a2 * y
      const z = y + h1
      h1 = -2 * y - g1 * z + h2
      h2 = y - g2 * z
      energy += z * z
    }
    // a filter left alone rings towards denormal numbers, which are slow: silence is exact instead
    this.#s1 = quiet(s1)
    this.#s2 = quiet(s2)
    this.#h1 = quiet(h1)
    this.#h2 = quiet(h2)
    return energy
  }
}

/** Energies of both sides of a stretch. */
export interface SideEnergies {
  left: number
  right: number
}

/**
 * K-weights both sides of a sound at once: each side is a long chain of additions, and a vector takes the two of them in the
 * time of one.
 */
export class StereoEnergy {
  readonly #coefficients: readonly number[]
  readonly #state = new Float64Array(8)

  constructor(rate: number) {
    const { shelf, highPass } = kWeighting(rate)
    this.#coefficients = [shelf.b0, shelf.b1, shelf.b2, shelf.a1, shelf.a2, highPass.a1, highPass.a2]
  }

  /**
   * Sums of the squares of the weighted samples `from` (inclusive) to `to` (exclusive) of two sides that lie in the scratch
   * memory.
   */
  sum(left: Floats, right: Floats, from: number, to: number, sums: SideEnergies): void {
    sums.left = 0
    sums.right = 0
    if (this.#staysSilent(left, right, from, to)) return
    const { kernels, state, coefficients, out } = this.#ready()
    kernels.weighted(left.at + from * 4, right.at + from * 4, to - from, state.at, coefficients.at, out.at)
    sums.left = out.view[0]!
    sums.right = out.view[1]!
    this.#state.set(state.view)
  }

  /** Weights the samples of both sides where they are, in the scratch memory. */
  weigh(left: Floats, right: Floats, from: number, to: number): void {
    if (this.#staysSilent(left, right, from, to)) return
    const { kernels, state, coefficients } = this.#ready()
    kernels.weigh(left.at + from * 4, right.at + from * 4, to - from, state.at, coefficients.at)
    this.#state.set(state.view)
  }

  #staysSilent(left: Floats, right: Floats, from: number, to: number): boolean {
    const silent = isSilent(left.view, from, to) && isSilent(right.view, from, to)
    return silent && this.#state.every((v) => v === 0)
  }

  /** The scratch memory with this filter in it. */
  #ready() {
    const room = scratch()
    room.state.view.set(this.#state)
    room.coefficients.view.set(this.#coefficients)
    return room
  }
}

function isSilent(samples: Float32Array, from: number, to: number): boolean {
  for (let n = from; n < to; n++) if (samples[n] !== 0) return false
  return true
}

function quiet(state: number): number {
  return state < 1e-30 && state > -1e-30 ? 0 : state
}
