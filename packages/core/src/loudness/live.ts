import { KWeightedEnergy } from './k-weighting'

/** Hops of 100 ms in the momentary and the short-term window. */
const MOMENTARY = 4
const SHORT_TERM = 30

/**
 * Loudness while playing: mean square of the last 400 ms and of the last 3 s, renewed every 100 ms. Allocates
 * nothing.
 */
export class LiveLoudness {
  readonly #left: KWeightedEnergy
  readonly #right: KWeightedEnergy
  readonly #hops = new Float64Array(SHORT_TERM)
  readonly #hopFrames: number
  #at = 0
  #sum = 0
  #frames = 0
  /** Mean square of the last 400 ms, after K-weighting, both channels. */
  energy = 0
  /** The same of the last 3 s. */
  shortTerm = 0

  constructor(rate: number) {
    this.#left = new KWeightedEnergy(rate)
    this.#right = new KWeightedEnergy(rate)
    this.#hopFrames = Math.round(rate / 10)
  }

  push(left: Float32Array, right: Float32Array): void {
    const n = left.length
    this.#sum += this.#left.sum(left, 0, n) + this.#right.sum(right, 0, n)
    this.#frames += n
    if (this.#frames < this.#hopFrames) return
    this.#hops[this.#at] = this.#sum / this.#frames
    this.#at = (this.#at + 1) % SHORT_TERM
    this.#sum = 0
    this.#frames = 0
    this.energy = this.#mean(MOMENTARY)
    this.shortTerm = this.#mean(SHORT_TERM)
  }

  /** Mean of the newest hops. */
  #mean(hops: number): number {
    let sum = 0
    for (let i = 1; i <= hops; i++) sum += this.#hops[(this.#at - i + SHORT_TERM) % SHORT_TERM]!
    return sum / hops
  }
}
