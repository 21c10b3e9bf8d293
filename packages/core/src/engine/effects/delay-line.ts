/** A ring of samples that remembers at least `longest` of them. */
export class DelayLine {
  readonly #samples: Float32Array
  readonly #mask: number
  #at = 0
  /** How many samples have been written since it was empty: only they have to be forgotten. */
  #written = 0

  constructor(longest: number) {
    let size = 1
    while (size < longest + 2) size *= 2
    this.#samples = new Float32Array(size)
    this.#mask = size - 1
  }

  write(sample: number): void {
    this.#at = (this.#at + 1) & this.#mask
    this.#samples[this.#at] = sample
    this.#written++
  }

  /** The sample written `delay` writes ago: 0 is the newest. Whole numbers only. */
  read(delay: number): number {
    return this.#samples[(this.#at - delay) & this.#mask]!
  }

  /** Between two samples, on a straight line. */
  readBetween(delay: number): number {
    const whole = Math.floor(delay)
    const share = delay - whole
    const a = this.read(whole)
    return a + (this.read(whole + 1) - a) * share
  }

  /** Reads `frames` samples as they will have been written `delay` writes before; `delay` is at least `frames`. */
  readBlock(delay: number, out: Float32Array, frames: number): void {
    const samples = this.#samples
    const mask = this.#mask
    const from = this.#at + 1 - delay
    for (let n = 0; n < frames; n++) out[n] = samples[(from + n) & mask]!
  }

  /** Adds to `out` as {@link readBlock} reads, with a gain that runs straight from one value to another. */
  mixBlock(delay: number, out: Float32Array, frames: number, from: number, to: number): void {
    const step = (to - from) / frames
    const at = this.#at + 1 - delay
    for (let n = 0; n < frames; n++) {
      out[n] = out[n]! * (1 - from - step * n) + this.#samples[(at + n) & this.#mask]! * (from + step * n)
    }
  }

  writeBlock(x: Float32Array, frames: number): void {
    const samples = this.#samples
    const mask = this.#mask
    const from = this.#at + 1
    for (let n = 0; n < frames; n++) samples[(from + n) & mask] = x[n]!
    this.#at = (this.#at + frames) & mask
    this.#written += frames
  }

  reset(): void {
    if (this.#written >= this.#samples.length) this.#samples.fill(0)
    else {
      for (let k = 0; k < this.#written; k++) this.#samples[(this.#at - k) & this.#mask] = 0
    }
    this.#written = 0
  }
}
