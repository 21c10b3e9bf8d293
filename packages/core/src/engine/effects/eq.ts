import type { BlockTime } from '../block'
import type { ControlSignal } from '../control-signal'
import type { Floats, MemoryPart } from '../../kernels'
import { bell, Biquad, identity, shelf, type Coefficients } from './biquad'
import { atEnd, atStart, type MakeProcessor, type Params, type Processor } from './effect'

const HALF_SECOND = 22_050

/** One band: where its coefficients come from, and its biquad. */
class Band {
  readonly #from: Coefficients = identity()
  readonly #to: Coefficients = identity()
  readonly #filter: Biquad

  constructor(
    private readonly gain: ControlSignal,
    private readonly controls: readonly ControlSignal[],
    private readonly design: (values: readonly number[], db: number, out: Coefficients) => void,
    memory: MemoryPart,
  ) {
    this.#filter = new Biquad(memory)
    this.#values = new Array<number>(controls.length).fill(0)
  }

  readonly #values: number[]

  process({ frames }: BlockTime, channels: readonly Floats[]): void {
    // a band at 0 dB is the identity, and its state is then 0: leaving it out changes nothing
    if (this.gain.uniform && this.gain.value === 0) return this.reset()
    this.#find(atStart, this.#from, 0)
    this.#find(atEnd, this.#to, frames)
    this.#filter.process(channels, frames, this.#from, this.#to)
  }

  reset(): void {
    this.#filter.reset()
  }

  #find(at: (signal: ControlSignal, frames: number) => number, out: Coefficients, frames: number): void {
    for (let i = 0; i < this.controls.length; i++) this.#values[i] = at(this.controls[i]!, frames)
    this.design(this.#values, at(this.gain, frames), out)
  }
}

/** Low shelf, bell and high shelf, one after the other. */
class Eq implements Processor {
  readonly tail = HALF_SECOND
  readonly #bands: readonly Band[]

  constructor(p: Params, memory: MemoryPart) {
    this.#bands = [
      new Band(p['lowGain']!, [p['lowFrequency']!], ([f], db, out) => shelf('low', f!, db, out), memory),
      new Band(
        p['bellGain']!,
        [p['bellFrequency']!, p['bellQ']!],
        ([f, q], db, out) => bell(f!, db, q!, out),
        memory,
      ),
      new Band(p['highGain']!, [p['highFrequency']!], ([f], db, out) => shelf('high', f!, db, out), memory),
    ]
  }

  process(block: BlockTime, channels: readonly Floats[]): void {
    for (let i = 0; i < this.#bands.length; i++) this.#bands[i]!.process(block, channels)
  }

  reset(): void {
    for (const band of this.#bands) band.reset()
  }
}

export const makeEq: MakeProcessor = (params, _mode, _channels, memory) => new Eq(params, memory)
