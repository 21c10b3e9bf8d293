import { SAMPLE_RATE } from '../../time'
import type { BlockTime } from '../../engine/block'
import type { ControlSignal } from '../../engine/control-signal'
import type { Floats } from '../../kernels'
import { atEnd, atStart, type MakeProcessor, type Params, type Processor } from '../processor'

/** How quickly the level is followed: up at once, down slowly; and how long a note counts as beginning, in seconds. */
const UP = 0.001
const DOWN = 0.12
const BEGINNING = 0.09
/** A beginning is made at most so many times as strong. */
const SHARPEST = 4
/** Where bright begins, in Hz, and by how much of itself it is raised at most. */
const BRIGHT_FROM = 1200
const BRIGHTEST = 2

/** Share of the way that a one-pole follower goes in a sample, for a time constant in seconds. */
const share = (seconds: number) => 1 / (1 + seconds * SAMPLE_RATE)

/**
 * How an instrument is played: how hard notes begin, and how bright they are.
 *
 * The level is followed twice: at once, and so slowly that it lags behind wherever a note begins. Their ratio, below 1 in a
 * beginning and 1 in what is held, is what the beginning is softened by, or sharpened by its inverse. Brightness adds what
 * lies above a gentle edge at 1.2 kHz, or takes it away.
 */
class Playing implements Processor {
  readonly tail = Math.round(0.02 * SAMPLE_RATE)
  readonly #low: Float64Array
  #quick = 0
  #slow = 0

  constructor(
    private readonly params: Params,
    channels: 1 | 2,
  ) {
    this.#low = new Float64Array(channels)
  }

  process({ frames }: BlockTime, channels: readonly Floats[]): void {
    const attack = this.params['attack']!
    const brightness = this.params['brightness']!
    // at rest it is not there at all; a beginning that it then misses lasts a tenth of a second
    if (rests(attack) && rests(brightness)) return this.reset()
    const hardness = atStart(attack)
    const hardStep = (atEnd(attack, frames) - hardness) / frames
    const bright = atStart(brightness)
    const brightStep = (atEnd(brightness, frames) - bright) / frames
    const first = channels[0]!.view
    const last = channels[channels.length - 1]!.view
    for (let n = 0; n < frames; n++) {
      const b = bright + brightStep * n
      const gain = this.#gain(hardness + hardStep * n, Math.max(Math.abs(first[n]!), Math.abs(last[n]!)))
      for (let c = 0; c < channels.length; c++) {
        const { view } = channels[c]!
        const x = view[n]!
        const low = this.#low[c]! + EDGE * (x - this.#low[c]!)
        this.#low[c] = low < 1e-20 && low > -1e-20 ? 0 : low
        view[n] = gain * (x + (b > 0 ? BRIGHTEST * b : b) * (x - low))
      }
    }
  }

  reset(): void {
    this.#low.fill(0)
    this.#quick = 0
    this.#slow = 0
  }

  /** What a sample of this magnitude is multiplied by. */
  #gain(hardness: number, magnitude: number): number {
    const quick = this.#quick + (magnitude > this.#quick ? RISE : FALL) * (magnitude - this.#quick)
    this.#quick = quick < 1e-20 ? 0 : quick
    // what is held is as loud as it is: only a beginning is ahead of the slow one
    const slow = this.#slow + LAG * (quick - this.#slow)
    this.#slow = Math.min(quick, slow < 1e-20 ? 0 : slow)
    if (hardness === 0 || quick < 1e-9) return 1
    const ratio = this.#slow / quick
    return hardness < 0
      ? 1 + -hardness * (ratio - 1)
      : 1 + hardness * (Math.min(SHARPEST, 1 / Math.max(ratio, 1e-6)) - 1)
  }
}

const rests = (signal: ControlSignal) => signal.uniform && signal.value === 0

const RISE = share(UP)
const FALL = share(DOWN)
const LAG = share(BEGINNING)
const EDGE = share(1 / (2 * Math.PI * BRIGHT_FROM))

export const makePlaying: MakeProcessor = (params, _mode, channels) => new Playing(params, channels)
