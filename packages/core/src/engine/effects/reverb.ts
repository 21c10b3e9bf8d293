import { exp } from '../../maths'
import { SAMPLE_RATE } from '../../time'
import { BLOCK, type BlockTime } from '../block'
import type { Floats, Kernels, MemoryPart } from '../../kernels'
import { DelayLine } from './delay-line'
import { atEnd, type MakeProcessor, type Params, type Processor } from './effect'
import { Tap } from './tap'

const LINES = 8
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
    this.#gains = memory.floats(LINES)
    this.#damped = memory.floats(LINES)
    this.#network = memory.memory.scratch('network', LINES * BLOCK)
    this.#in = [memory.memory.scratch('early left', BLOCK), memory.memory.scratch('early right', BLOCK)]
    this.#pre = Array.from({ length: channels }, () => new DelayLine(LONGEST_PRE_DELAY + 2 * BLOCK, memory))
    this.#preTaps = this.#pre.map(() => new Tap())
  }

  process({ frames }: BlockTime, channels: readonly Floats[]): void {
    const p = this.params
    const decay = (atEnd(p['decay']!, frames) * SAMPLE_RATE) / 1000
    const size = SMALLEST + (1 - SMALLEST) * atEnd(p['size']!, frames)
    const bright = 1 - 0.7 * atEnd(p['damping']!, frames)
    const preDelay = (atEnd(p['preDelay']!, frames) * SAMPLE_RATE) / 1000
    this.#shape(size, decay)
    this.tail = Math.round(decay * 1.6) + LONGEST_PRE_DELAY
    for (let c = 0; c < channels.length; c++) this.#delay(c, channels[c]!, preDelay, frames)
    // every line is longer than a block, so a whole block comes out before any of it goes back in
    const kernels = this.#kernels
    for (let i = 0; i < LINES; i++) this.#taps[i]!.read(this.#lines[i]!, 0, this.#lineAt(i), frames)
    kernels.damp(this.#network.at, frames, bright, this.#damped.at, this.#gains.at)
    kernels.mixLines(
      this.#network.at,
      frames,
      this.#in[0].at,
      this.#in[channels.length - 1]!.at,
      channels[0]!.at,
      channels[channels.length - 1]!.at,
      this.#scale,
    )
    for (let i = 0; i < LINES; i++) this.#lines[i]!.writeBlock(this.#lineAt(i), frames)
  }

  /** How long the lines are, and how much each loses on its way. */
  #shape(size: number, decay: number): void {
    const known = size === this.#size && decay === this.#decay
    for (let i = 0; i < LINES; i++) this.#taps[i]!.aim((LENGTHS_MS[i]! * size * SAMPLE_RATE) / 1000)
    if (known) return
    this.#size = size
    this.#decay = decay
    const gains = this.#gains.view
    let sum = 0
    for (let i = 0; i < LINES; i++) {
      const gain = exp((LN_60_DB * Math.round((LENGTHS_MS[i]! * size * SAMPLE_RATE) / 1000)) / decay)
      gains[i] = gain
      sum += gain * gain
    }
    // what stays in the network grows with the decay: the output is scaled so that loudness hardly does
    const kept = sum / LINES
    this.#scale = Math.sqrt((1 - kept) / kept) * 0.7
  }

  /** Address of the block of one line. */
  #lineAt(i: number): number {
    return this.#network.at + i * BLOCK * Float32Array.BYTES_PER_ELEMENT
  }

  reset(): void {
    for (const line of [...this.#lines, ...this.#pre]) line.reset()
    for (const tap of [...this.#taps, ...this.#preTaps]) tap.reset()
    this.#damped.view.fill(0)
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
