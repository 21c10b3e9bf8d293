import type { BlockTime } from '../block'
import type { ControlSignal } from '../control-signal'
import { bell, Biquad, identity, shelf, type Coefficients } from './biquad'
import { atEnd, atStart, type MakeProcessor, type Params, type Processor } from './effect'

const HALF_SECOND = 22_050

/** One band: where its coefficients come from, and a biquad for each channel. */
class Band {
  readonly #from: Coefficients = identity()
  readonly #to: Coefficients = identity()
  readonly #filters: readonly Biquad[]

  constructor(
    private readonly gain: ControlSignal,
    private readonly controls: readonly ControlSignal[],
    private readonly design: (values: readonly number[], db: number, out: Coefficients) => void,
    channels: number,
  ) {
    this.#filters = Array.from({ length: channels }, () => new Biquad())
    this.#values = new Array<number>(controls.length).fill(0)
  }

  readonly #values: number[]

  process({ frames }: BlockTime, channels: readonly Float32Array[]): void {
    // a band at 0 dB is the identity, and its state is then 0: leaving it out changes nothing
    if (this.gain.uniform && this.gain.value === 0) return this.reset()
    this.#find(atStart, this.#from, 0)
    this.#find(atEnd, this.#to, frames)
    for (let c = 0; c < channels.length; c++) {
      this.#filters[c]!.process(channels[c]!, frames, this.#from, this.#to)
    }
  }

  reset(): void {
    for (const filter of this.#filters) filter.reset()
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

  constructor(p: Params, channels: 1 | 2) {
    this.#bands = [
      new Band(p['lowGain']!, [p['lowFrequency']!], ([f], db, out) => shelf('low', f!, db, out), channels),
      new Band(
        p['bellGain']!,
        [p['bellFrequency']!, p['bellQ']!],
        ([f, q], db, out) => bell(f!, db, q!, out),
        channels,
      ),
      new Band(p['highGain']!, [p['highFrequency']!], ([f], db, out) => shelf('high', f!, db, out), channels),
    ]
  }

  process(block: BlockTime, channels: readonly Float32Array[]): void {
    for (let i = 0; i < this.#bands.length; i++) this.#bands[i]!.process(block, channels)
  }

  reset(): void {
    for (const band of this.#bands) band.reset()
  }
}

export const makeEq: MakeProcessor = (params, _, channels) => new Eq(params, channels)
