import type { Floats, Kernels, MemoryPart } from '../../kernels'

/** A ring of samples that remembers at least `longest` of them. */
export class DelayLine {
  readonly #samples: Floats
  readonly #kernels: Kernels
  /** Size of the ring less one. */
  readonly mask: number
  #at = 0
  /** How many samples have been written since it was empty: only they have to be forgotten. */
  #written = 0

  constructor(longest: number, memory: MemoryPart) {
    let size = 1
    while (size < longest + 2) size *= 2
    this.#samples = memory.floats(size)
    this.#kernels = memory.kernels
    this.mask = size - 1
  }

  /** Address of the ring, for a kernel that reads and writes it itself and then says so by {@link wrote}. */
  get ring(): number {
    return this.#samples.at
  }

  /** Place in the ring of the sample written last. */
  get place(): number {
    return this.#at
  }

  wrote(frames: number): void {
    this.#at = (this.#at + frames) & this.mask
    this.#written += frames
  }

  write(sample: number): void {
    this.#at = (this.#at + 1) & this.mask
    this.#samples.view[this.#at] = sample
    this.#written++
  }

  /** Between two samples, on a straight line: as it was written `delay` writes ago, 0 for the newest. */
  readBetween(delay: number): number {
    const { view } = this.#samples
    const whole = Math.floor(delay)
    const share = delay - whole
    const a = view[(this.#at - whole) & this.mask]!
    return a + (view[(this.#at - whole - 1) & this.mask]! - a) * share
  }

  /** Reads `frames` samples to address `out` as they will have been written `delay` writes before; `delay` is at least `frames`. */
  readBlock(delay: number, out: number, frames: number): void {
    this.#kernels.ringRead(this.ring, this.mask, this.#at + 1 - delay, out, frames)
  }

  /** Fades `out` over to what {@link readBlock} reads: its share runs straight from one value to another. */
  mixBlock(delay: number, out: number, frames: number, from: number, to: number): void {
    const step = (to - from) / frames
    this.#kernels.ringFade(this.ring, this.mask, this.#at + 1 - delay, out, frames, from, step)
  }

  writeBlock(x: number, frames: number): void {
    this.#kernels.ringWrite(this.ring, this.mask, this.#at + 1, x, frames)
    this.wrote(frames)
  }

  reset(): void {
    const { view } = this.#samples
    if (this.#written >= view.length) view.fill(0)
    else for (let k = 0; k < this.#written; k++) view[(this.#at - k) & this.mask] = 0
    this.#written = 0
  }
}
