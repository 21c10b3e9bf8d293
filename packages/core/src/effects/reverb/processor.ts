import { exp } from '../../maths'
import { SAMPLE_RATE } from '../../time'
import { BLOCK, type BlockTime } from '../../engine/block'
import type { Floats, Kernels, MemoryPart } from '../../kernels'
import { DelayLine } from '../parts/delay-line'
import { atEnd, atStart, type MakeProcessor, type Params, type Processor } from '../processor'
import { Tap } from '../parts/tap'

const LINES = 8
/** Samples that the network takes at once: fewer than its shortest line has, so that all come out before any goes back. */
const PIECE = 256
/** Lengths of the eight lines in ms at size 1: no two share a divisor worth hearing. */
const LENGTHS_MS = [39.1, 45.7, 52.3, 60.1, 68.9, 77.3, 86.1, 96.7] as const
/** The smallest room is so much of the largest. */
const SMALLEST = 0.25
/** −60 dB as a natural logarithm. */
const LN_60_DB = -6.907755278982137
const LONGEST_PRE_DELAY = 0.26 * SAMPLE_RATE

/**
 * A feedback delay network (J.-M. Jot and A. Chaigne, 1991): eight lines mixed by a Hadamard matrix, each losing so
 * much that the whole falls by 60 dB in the decay time; high frequencies fall faster by the damping.
 */
class Reverb implements Processor {
  tail = 0
  /** Size and decay in samples that the gains are for, and what the output is scaled by then. */
  #size = NaN
  #decay = NaN
  #scale = 1
  /** The gains and the scale that the block ends with, where the room changes in it. */
  readonly #gainsAfter = new Float32Array(LINES)
  #scaleAfter = 1
  #changing = false
  readonly #lines: readonly DelayLine[]
  readonly #taps = LENGTHS_MS.map(() => new Tap())
  readonly #pre: readonly DelayLine[]
  readonly #preTaps: readonly Tap[]
  readonly #gains: Floats
  readonly #damped: Floats
  /** What comes out of the lines in the block, one after the other; then what goes back into them. */
  readonly #network: Floats
  readonly #in: readonly [Floats, Floats]
  readonly #kernels: Kernels

  constructor(
    private readonly params: Params,
    channels: 1 | 2,
    memory: MemoryPart,
  ) {
    this.#kernels = memory.kernels
    this.#lines = LENGTHS_MS.map((ms) => new DelayLine((ms * SAMPLE_RATE) / 1000 + 2 * BLOCK, memory))
    this.#gains = memory.floats(2 * LINES)
    this.#damped = memory.floats(LINES)
    this.#network = memory.memory.scratch('network', LINES * PIECE)
    this.#in = [memory.memory.scratch('early left', BLOCK), memory.memory.scratch('early right', BLOCK)]
    this.#pre = Array.from({ length: channels }, () => new DelayLine(LONGEST_PRE_DELAY + 2 * BLOCK, memory))
    this.#preTaps = this.#pre.map(() => new Tap())
  }

  process({ frames }: BlockTime, channels: readonly Floats[]): void {
    const p = this.params
    const decay = (atEnd(p['decay']!, frames) * SAMPLE_RATE) / 1000
    const size = SMALLEST + (1 - SMALLEST) * atEnd(p['size']!, frames)
    const bright = 1 - 0.7 * atStart(p['damping']!)
    const brighter = (1 - 0.7 * atEnd(p['damping']!, frames) - bright) / frames
    const preDelay = (atEnd(p['preDelay']!, frames) * SAMPLE_RATE) / 1000
    this.#shape(size, decay, frames)
    this.tail = Math.round(decay * 1.6) + LONGEST_PRE_DELAY
    for (let c = 0; c < channels.length; c++) this.#delay(c, channels[c]!, preDelay, frames)
    const louder = (this.#scaleAfter - this.#scale) / frames
    for (let from = 0; from < frames; from += PIECE) {
      this.#turnOver(channels, from, Math.min(PIECE, frames - from), bright, brighter, louder)
    }
    this.#arrive()
  }

  /** Lets samples from `from` on go through the network. What moves in the block is given with its step a sample. */
  #turnOver(
    channels: readonly Floats[],
    from: number,
    count: number,
    bright: number,
    brighter: number,
    louder: number,
  ): void {
    const kernels = this.#kernels
    const skipped = from * Float32Array.BYTES_PER_ELEMENT
    const last = channels.length - 1
    for (let i = 0; i < LINES; i++) this.#taps[i]!.read(this.#lines[i]!, 0, this.#lineAt(i), count)
    const brightness = bright + brighter * from
    kernels.damp(this.#network.at, count, brightness, brighter, this.#damped.at, this.#gains.at)
    kernels.mixLines(
      this.#network.at,
      count,
      this.#in[0].at + skipped,
      this.#in[last]!.at + skipped,
      channels[0]!.at + skipped,
      channels[last]!.at + skipped,
      this.#scale + louder * from,
      louder,
    )
    for (let i = 0; i < LINES; i++) this.#lines[i]!.writeBlock(this.#lineAt(i), count)
  }

  /** How long the lines are, and how much each loses on its way: what changes runs straight through the block. */
  #shape(size: number, decay: number, frames: number): void {
    for (let i = 0; i < LINES; i++) this.#taps[i]!.aim((LENGTHS_MS[i]! * size * SAMPLE_RATE) / 1000)
    if (size === this.#size && decay === this.#decay) return
    const isNew = this.#size !== this.#size
    this.#size = size
    this.#decay = decay
    const gains = this.#gains.view
    let sum = 0
    for (let i = 0; i < LINES; i++) {
      const gain = exp((LN_60_DB * Math.round((LENGTHS_MS[i]! * size * SAMPLE_RATE) / 1000)) / decay)
      if (isNew) gains[i] = gain
      gains[LINES + i] = (gain - gains[i]!) / frames
      this.#gainsAfter[i] = gain
      sum += gain * gain
    }
    // what stays in the network grows with the decay: the output is scaled so that loudness hardly does
    const kept = sum / LINES
    this.#scaleAfter = Math.sqrt((1 - kept) / kept) * 0.7
    if (isNew) this.#scale = this.#scaleAfter
    this.#changing = true
  }

  /** The block is over: the room has become what it was changing to. */
  #arrive(): void {
    if (!this.#changing) return
    this.#changing = false
    this.#scale = this.#scaleAfter
    const gains = this.#gains.view
    gains.set(this.#gainsAfter)
    gains.fill(0, LINES)
  }

  /** Address of the block of one line. */
  #lineAt(i: number): number {
    return this.#network.at + i * PIECE * Float32Array.BYTES_PER_ELEMENT
  }

  reset(): void {
    for (const line of [...this.#lines, ...this.#pre]) line.reset()
    for (const tap of [...this.#taps, ...this.#preTaps]) tap.reset()
    this.#damped.view.fill(0)
    this.#size = NaN
  }

  /** Waits for the pre-delay: the block is written, then read so much further back. */
  #delay(c: number, x: Floats, preDelay: number, frames: number): void {
    const line = this.#pre[c]!
    const tap = this.#preTaps[c]!
    line.writeBlock(x.at, frames)
    tap.aim(preDelay + BLOCK)
    tap.read(line, BLOCK - frames, this.#in[c]!.at, frames)
  }
}

export const makeReverb: MakeProcessor = (params, _, channels, memory) => new Reverb(params, channels, memory)
