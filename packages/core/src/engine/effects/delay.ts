import { log } from '../../maths'
import { SAMPLE_RATE } from '../../time'
import type { BlockTime } from '../block'
import { DelayLine } from './delay-line'
import { atEnd, settled, type MakeProcessor, type Params, type Processor } from './effect'
import { highPassCoefficient, lowPassCoefficient } from './one-pole'
import { Tap } from './tap'

/** The longest delay: a whole note at 20 quarters a minute. */
const LONGEST = 12 * SAMPLE_RATE
/** ln of 90 dB down. */
const GONE = -10.36

/**
 * Repeats after a time in ms or a note value, with feedback, a low and a high cut in the loop, and from side to
 * side. The time follows tempo and lines by fading from one place of the line to another.
 */
class Delay implements Processor {
  tail = 0
  readonly #lines: readonly DelayLine[]
  readonly #tap = new Tap()
  readonly #low: Float64Array
  readonly #high: Float64Array

  constructor(
    private readonly params: Params,
    private readonly mode: string,
    channels: 1 | 2,
  ) {
    this.#lines = Array.from({ length: channels }, () => new DelayLine(LONGEST))
    this.#low = new Float64Array(channels)
    this.#high = new Float64Array(channels)
  }

  process(block: BlockTime, channels: readonly Float32Array[]): void {
    const { frames } = block
    const p = this.params
    const delay = this.#delayIn(block)
    const feedback = atEnd(p['feedback']!, frames)
    const lowCut = highPassCoefficient(atEnd(p['lowCut']!, frames))
    const highCut = lowPassCoefficient(atEnd(p['highCut']!, frames))
    const across = channels.length === 2 ? atEnd(p['sideToSide']!, frames) : 0
    const repeats = feedback > 0.001 ? Math.ceil(GONE / log(feedback)) : 1
    this.tail = Math.round(delay * (repeats + 1)) + SAMPLE_RATE / 10
    const left = channels[0]!
    const right = channels[channels.length - 1]!
    for (let n = 0; n < frames; n++) {
      this.#tap.step()
      const a = this.#echo(0, lowCut, highCut)
      const b = channels.length === 2 ? this.#echo(1, lowCut, highCut) : a
      const l = left[n]!
      const r = right[n]!
      // from side to side: what comes in goes to the left, what comes back goes to the other side
      this.#lines[0]!.write(l + across * 0.5 * (r - l) + feedback * (a + across * (b - a)))
      if (channels.length === 2) this.#lines[1]!.write(r * (1 - across) + feedback * (b + across * (a - b)))
      left[n] = a
      if (channels.length === 2) right[n] = b
    }
    for (let c = 0; c < channels.length; c++) {
      this.#low[c] = settled(this.#low[c]!)
      this.#high[c] = settled(this.#high[c]!)
    }
  }

  reset(): void {
    for (const line of this.#lines) line.reset()
    this.#tap.reset()
    this.#low.fill(0)
    this.#high.fill(0)
  }

  #delayIn({ frames, start, tickStart, tickEnd }: BlockTime): number {
    if (this.mode === 'time') {
      const samples = (atEnd(this.params['time']!, frames) * SAMPLE_RATE) / 1000
      this.#tap.aim(samples)
      return samples
    }
    const ticks = atEnd(this.params['note']!, frames)
    const perTick = tickEnd > tickStart ? frames / (tickEnd - tickStart) : start
    const samples = Math.min(LONGEST, ticks * perTick)
    this.#tap.aim(samples)
    return samples
  }

  /** What comes back on one side, after the cuts. */
  #echo(c: number, lowCut: number, highCut: number): number {
    const { near, far, share } = this.#tap
    const line = this.#lines[c]!
    // written after it is read: the newest sample is one ago
    let y = line.read(far - 1)
    if (share < 1) y = line.read(near - 1) * (1 - share) + y * share
    if (highCut < 1) y = this.#high[c]! += highCut * (y - this.#high[c]!)
    if (lowCut > 0) {
      this.#low[c]! += lowCut * (y - this.#low[c]!)
      y -= this.#low[c]!
    }
    return y
  }
}

export const makeDelay: MakeProcessor = (params, mode, channels) => new Delay(params, mode, channels)
