import { KWeightedEnergy } from './k-weighting'

/** Momentary loudness while playing: mean square of the last 400 ms, renewed every 100 ms. Allocates nothing. */
export class LiveLoudness {
  readonly #left: KWeightedEnergy
  readonly #right: KWeightedEnergy
  readonly #hops = new Float64Array(4)
  readonly #hopFrames: number
  #at = 0
  #sum = 0
  #frames = 0
  /** Mean square of the window, after K-weighting, both channels. */
  energy = 0

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
    this.#at = (this.#at + 1) & 3
    this.#sum = 0
    this.#frames = 0
    this.energy = (this.#hops[0]! + this.#hops[1]! + this.#hops[2]! + this.#hops[3]!) / 4
  }
}
