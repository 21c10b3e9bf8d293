import type { BlockTime } from '../../engine/block'
import type { ControlSignal } from '../../engine/control-signal'
import type { Floats, MemoryPart } from '../../kernels'
import { bell, Biquad, identity, shelf, type Coefficients } from '../parts/biquad'
import { isCalm, type MakeProcessor, type Params, type Processor } from '../processor'

const HALF_SECOND = 22_050

/** What goes fast is computed anew at every so many frames, and runs straight between. */
const STRIDE = 32
/** A gain goes slowly where it moves by less than this in a block, in dB. */
const SLOW_DB = 0.5

/** Coefficients, and the values that they were designed for. */
interface Designed {
  readonly coefficients: Coefficients
  readonly values: number[]
}

/** One band: where its coefficients come from, and its biquad. */
class Band {
  #from: Designed
  #to: Designed
  readonly #filter: Biquad

  constructor(
    private readonly gain: ControlSignal,
    private readonly controls: readonly ControlSignal[],
    private readonly design: (values: readonly number[], db: number, out: Coefficients) => void,
    memory: MemoryPart,
  ) {
    this.#filter = new Biquad(memory)
    const fresh = () => ({ coefficients: identity(), values: [...controls, gain].map(() => NaN) })
    this.#from = fresh()
    this.#to = fresh()
  }

  process({ frames }: BlockTime, channels: readonly Floats[]): void {
    // a band at 0 dB is the identity, and its state is then 0: leaving it out changes nothing
    if (this.gain.uniform && this.gain.value === 0) return this.reset()
    const stride = this.#isSlow(frames) ? frames : STRIDE
    this.#find(0, this.#from)
    for (let from = 0; from < frames; from += stride) {
      const to = Math.min(frames, from + stride)
      this.#find(Math.min(to, frames - 1), this.#to)
      this.#filter.process(channels, from, to, this.#from.coefficients, this.#to.coefficients)
      const reached = this.#to
      this.#to = this.#from
      this.#from = reached
    }
  }

  reset(): void {
    this.#filter.reset()
  }

  #isSlow(frames: number): boolean {
    const { gain } = this
    if (!gain.uniform && !(gain.straight && Math.abs(gain.step * frames) < SLOW_DB)) return false
    for (let i = 0; i < this.controls.length; i++) if (!isCalm(this.controls[i]!, frames)) return false
    return true
  }

  /** The coefficients at a sample of the block. */
  #find(n: number, out: Designed): void {
    const { values } = out
    const db = this.gain.at(n)
    let known = values[this.controls.length] === db
    values[this.controls.length] = db
    for (let i = 0; i < this.controls.length; i++) {
      const value = this.controls[i]!.at(n)
      known &&= values[i] === value
      values[i] = value
    }
    if (!known) this.design(values, db, out.coefficients)
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
