import { KWeightedEnergy } from './k-weighting'
import { TruePeak } from './true-peak'

/** What is measured of one channel by itself. Channels are measured apart, so that they can be shared out. */
export interface ChannelLoudness {
  /** Mean square of each whole 100 ms after K-weighting. */
  readonly hops: Float64Array
  /** Highest true peak, as amplitude. */
  readonly peak: number
}

/** Measures one channel as it comes. */
export class ChannelMeter {
  readonly #energy: KWeightedEnergy
  readonly #peak = new TruePeak()
  #hops = new Float64Array(1024)
  #count = 0
  /** Samples seen; the current hop starts and ends at these. */
  #at = 0
  #start = 0
  #end: number
  #sum = 0

  constructor(private readonly rate: number) {
    this.#energy = new KWeightedEnergy(rate)
    this.#end = Math.round(rate / 10)
  }

  push(samples: Float32Array): void {
    this.#peak.push(samples, 0, samples.length)
    let from = 0
    while (from < samples.length) {
      const to = Math.min(samples.length, from + this.#end - this.#at)
      this.#sum += this.#energy.sum(samples, from, to)
      this.#at += to - from
      from = to
      if (this.#at === this.#end) this.#closeHop()
    }
  }

  /** The measurement of all that came. The meter must not be used afterwards. */
  finish(): ChannelLoudness {
    this.#peak.finish()
    return { hops: this.#hops.slice(0, this.#count), peak: this.#peak.peak }
  }

  #closeHop(): void {
    if (this.#count === this.#hops.length) {
      const longer = new Float64Array(2 * this.#count)
      longer.set(this.#hops)
      this.#hops = longer
    }
    this.#hops[this.#count++] = this.#sum / (this.#end - this.#start)
    this.#sum = 0
    this.#start = this.#end
    this.#end = Math.round(((this.#count + 1) * this.rate) / 10)
  }
}
