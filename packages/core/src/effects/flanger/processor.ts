import { sinPi } from '../../maths'
import { SAMPLE_RATE } from '../../time'
import type { BlockTime } from '../../engine/block'
import type { Floats, MemoryPart } from '../../kernels'
import { DelayLine } from '../parts/delay-line'
import { atEnd, atStart, type MakeProcessor, type Params, type Processor } from '../processor'

/** The middle of the sweep, and how far it goes at full depth, in samples: 3 ms ± 2.5 ms. */
const MIDDLE = 0.003 * SAMPLE_RATE
const SWING = 0.0025 * SAMPLE_RATE

/** Delay of the moving copy in samples, for a place in the sweep (0…1 of a turn) and a depth. */
export function flangerDelay(phase: number, depth: number): number {
  return MIDDLE + SWING * depth * sinPi(2 * phase)
}

/** The sound and a copy of itself a few milliseconds late, which wanders: notches that sweep through the sound. */
class Flanger implements Processor {
  readonly tail = SAMPLE_RATE
  readonly #lines: readonly DelayLine[]
  #phase = NaN

  constructor(
    private readonly params: Params,
    channels: 1 | 2,
    memory: MemoryPart,
  ) {
    this.#lines = Array.from({ length: channels }, () => new DelayLine(MIDDLE + SWING + 4, memory))
  }

  process({ frames, start }: BlockTime, channels: readonly Floats[]): void {
    const rate = atEnd(this.params['rate']!, frames) / SAMPLE_RATE
    const depth = atStart(this.params['depth']!)
    const deeper = (atEnd(this.params['depth']!, frames) - depth) / frames
    const feedback = atStart(this.params['feedback']!)
    const more = (atEnd(this.params['feedback']!, frames) - feedback) / frames
    // the sweep begins with the song, wherever playing begins
    if (this.#phase !== this.#phase) this.#phase = fraction(start * rate)
    for (let n = 0; n < frames; n++) {
      const delay = flangerDelay(this.#phase, depth + deeper * n)
      this.#phase = fraction(this.#phase + rate)
      for (let c = 0; c < channels.length; c++) {
        const line = this.#lines[c]!
        const { view } = channels[c]!
        const x = view[n]!
        const late = line.readBetween(delay - 1)
        const fed = x + (feedback + more * n) * late
        line.write(fed < 1e-20 && fed > -1e-20 ? 0 : fed)
        view[n] = 0.5 * (x + late)
      }
    }
  }

  reset(): void {
    for (const line of this.#lines) line.reset()
    this.#phase = NaN
  }
}

function fraction(x: number): number {
  return x - Math.floor(x)
}

export const makeFlanger: MakeProcessor = (params, _, channels, memory) =>
  new Flanger(params, channels, memory)
