import { lufsOfEnergy } from './lufs'
import { loudnessTrace } from './gating'

/**
 * {@link loudnessTrace} of energies that change a little at a time, as under a moving hand: only the windows in which
 * something changed are measured again.
 */
export class TraceFollower {
  #hops: Float64Array | null = null
  #trace: Float64Array = new Float64Array(0)

  /** @param width of a window, in hops */
  constructor(private readonly width: number) {}

  /**
   * @param hops mean square of each 100 ms after K-weighting; it is kept, and must not change afterwards
   * @returns LUFS, 10 values a second; the same array as before where nothing changed
   */
  follow(hops: Float64Array): Float64Array {
    const before = this.#hops
    this.#hops = hops
    if (before?.length !== hops.length) return (this.#trace = loudnessTrace(hops, this.width))
    let from = 0
    let to = hops.length
    while (from < to && before[from] === hops[from]) from++
    while (to > from && before[to - 1] === hops[to - 1]) to--
    if (from === to) return this.#trace
    const trace = this.#trace.slice()
    const end = Math.min(hops.length, to + this.width - 1)
    for (let n = from; n < end; n++) {
      let sum = 0
      for (let k = Math.max(0, n - this.width + 1); k <= n; k++) sum += hops[k]!
      trace[n] = lufsOfEnergy(sum / this.width)
    }
    return (this.#trace = trace)
  }
}
