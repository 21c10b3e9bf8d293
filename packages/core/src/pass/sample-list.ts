import type { Sample } from '../envelope'

/** Where a hand was, tick by tick, in 12 bytes a sample: a pass of many minutes stays small. */
export class SampleList {
  #ticks = new Int32Array(256)
  #values = new Float64Array(256)
  #length = 0

  get length(): number {
    return this.#length
  }

  get last(): Sample | undefined {
    return this.#length ? this.at(this.#length - 1) : undefined
  }

  at(i: number): Sample {
    return { tick: this.#ticks[i]!, value: this.#values[i]! }
  }

  /** Notes a sample; one at the tick of the last takes its place. */
  push({ tick, value }: Sample): void {
    if (this.#length && this.#ticks[this.#length - 1] === tick) {
      this.#values[this.#length - 1] = value
      return
    }
    if (this.#length === this.#ticks.length) this.#grow()
    this.#ticks[this.#length] = tick
    this.#values[this.#length++] = value
  }

  /** Every so many-th sample, and the last. */
  every(step: number): Sample[] {
    const samples: Sample[] = []
    for (let i = 0; i < this.#length; i++)
      if (i % step === 0 || i === this.#length - 1) samples.push(this.at(i))
    return samples
  }

  #grow(): void {
    const ticks = new Int32Array(this.#length * 2)
    const values = new Float64Array(this.#length * 2)
    ticks.set(this.#ticks)
    values.set(this.#values)
    this.#ticks = ticks
    this.#values = values
  }
}
