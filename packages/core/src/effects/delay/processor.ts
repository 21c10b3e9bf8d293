import { log } from '../../maths'
import { SAMPLE_RATE } from '../../time'
import type { BlockTime } from '../../engine/block'
import type { Doubles, Floats, Kernels, MemoryPart } from '../../kernels'
import { DelayLine } from '../parts/delay-line'
import { atEnd, atStart, type MakeProcessor, type Params, type Processor } from '../processor'
import { highPassCoefficient, lowPassCoefficient } from '../parts/one-pole'
import { CROSSFADE, Tap } from '../parts/tap'

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
  /** Low cut of both sides, then high cut of both. */
  readonly #cuts: Doubles
  readonly #kernels: Kernels

  constructor(
    private readonly params: Params,
    private readonly mode: string,
    channels: 1 | 2,
    memory: MemoryPart,
  ) {
    this.#kernels = memory.kernels
    this.#lines = Array.from({ length: channels }, () => new DelayLine(LONGEST, memory))
    this.#cuts = memory.doubles(4)
  }

  process(block: BlockTime, channels: readonly Floats[]): void {
    const { frames } = block
    const p = this.params
    const delay = this.#delayIn(block)
    const feedback = atEnd(p['feedback']!, frames)
    const from = atStart(p['feedback']!)
    const lowCut = highPassCoefficient(atEnd(p['lowCut']!, frames))
    const highCut = lowPassCoefficient(atEnd(p['highCut']!, frames))
    const across = channels.length === 2 ? atEnd(p['sideToSide']!, frames) : 0
    const acrossFrom = channels.length === 2 ? atStart(p['sideToSide']!) : 0
    const repeats = feedback > 0.001 ? Math.ceil(GONE / log(feedback)) : 1
    this.tail = Math.round(delay * (repeats + 1)) + SAMPLE_RATE / 10
    const stereo = channels.length === 2
    const [first, second = first] = this.#lines
    this.#kernels.echo(
      channels[0]!.at,
      channels[channels.length - 1]!.at,
      frames,
      stereo,
      first!.ring,
      second!.ring,
      first!.mask,
      first!.place,
      this.#tap.near,
      this.#tap.far,
      this.#tap.fading,
      CROSSFADE,
      from,
      (feedback - from) / frames,
      lowCut,
      highCut,
      acrossFrom,
      (across - acrossFrom) / frames,
      this.#cuts.at,
    )
    this.#tap.pass(frames)
    for (const line of this.#lines) line.wrote(frames)
  }

  reset(): void {
    for (const line of this.#lines) line.reset()
    this.#tap.reset()
    this.#cuts.view.fill(0)
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
}

export const makeDelay: MakeProcessor = (params, mode, channels, memory) =>
  new Delay(params, mode, channels, memory)
