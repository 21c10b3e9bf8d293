import { exp } from '../../maths'
import { SAMPLE_RATE } from '../../time'
import { BLOCK, type BlockTime } from '../block'
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
  readonly #lines = LENGTHS_MS.map((ms) => new DelayLine((ms * SAMPLE_RATE) / 1000 + 2 * BLOCK))
  readonly #taps = LENGTHS_MS.map(() => new Tap())
  readonly #pre: readonly DelayLine[]
  readonly #preTaps: readonly Tap[]
  readonly #gains = new Float64Array(LINES)
  readonly #damped = new Float64Array(LINES)
  /** What comes out of each line in the block; then what goes back into it. */
  readonly #out = LENGTHS_MS.map(() => new Float32Array(BLOCK))
  readonly #in = [new Float32Array(BLOCK), new Float32Array(BLOCK)] as const

  constructor(
    private readonly params: Params,
    channels: 1 | 2,
  ) {
    this.#pre = Array.from({ length: channels }, () => new DelayLine(LONGEST_PRE_DELAY + 2 * BLOCK))
    this.#preTaps = this.#pre.map(() => new Tap())
  }

  process({ frames }: BlockTime, channels: readonly Float32Array[]): void {
    const p = this.params
    const decay = (atEnd(p['decay']!, frames) * SAMPLE_RATE) / 1000
    const size = SMALLEST + (1 - SMALLEST) * atEnd(p['size']!, frames)
    const bright = 1 - 0.7 * atEnd(p['damping']!, frames)
    const preDelay = (atEnd(p['preDelay']!, frames) * SAMPLE_RATE) / 1000
    let sum = 0
    for (let i = 0; i < LINES; i++) {
      const length = (LENGTHS_MS[i]! * size * SAMPLE_RATE) / 1000
      this.#taps[i]!.aim(length)
      this.#gains[i] = exp((LN_60_DB * Math.round(length)) / decay)
      sum += this.#gains[i]! * this.#gains[i]!
    }
    // what stays in the network grows with the decay: the output is scaled so that loudness hardly does
    const kept = sum / LINES
    const scale = Math.sqrt((1 - kept) / kept) * 0.7
    this.tail = Math.round(decay * 1.6) + LONGEST_PRE_DELAY
    for (let c = 0; c < channels.length; c++) this.#delay(c, channels[c]!, preDelay, frames)
    // every line is longer than a block, so a whole block comes out before any of it goes back in
    for (let i = 0; i < LINES; i++) this.#read(i, bright, frames)
    this.#give(channels, scale, frames)
    hadamard(this.#out, frames)
    for (let i = 0; i < LINES; i++) {
      const out = this.#out[i]!
      const fed = this.#in[channels.length === 2 ? i % 2 : 0]!
      for (let n = 0; n < frames; n++) out[n] = out[n]! * MIX + fed[n]!
      this.#lines[i]!.writeBlock(out, frames)
    }
  }

  reset(): void {
    for (const line of [...this.#lines, ...this.#pre]) line.reset()
    for (const tap of [...this.#taps, ...this.#preTaps]) tap.reset()
    this.#damped.fill(0)
  }

  /** Waits for the pre-delay: the block is written, then read so much further back. */
  #delay(c: number, x: Float32Array, preDelay: number, frames: number): void {
    const line = this.#pre[c]!
    const tap = this.#preTaps[c]!
    line.writeBlock(x, frames)
    tap.aim(preDelay + BLOCK)
    tap.read(line, BLOCK - frames, this.#in[c]!, frames)
  }

  #read(i: number, bright: number, frames: number): void {
    const out = this.#out[i]!
    this.#taps[i]!.read(this.#lines[i]!, 0, out, frames)
    const gain = this.#gains[i]!
    let damped = this.#damped[i]!
    for (let n = 0; n < frames; n++) {
      damped = hushed(damped + bright * (out[n]! - damped))
      out[n] = damped * gain
    }
    this.#damped[i] = damped
  }

  /** Adds the lines up for the output: the even ones to the left, the odd ones to the right. */
  #give(channels: readonly Float32Array[], scale: number, frames: number): void {
    const [a, b, c, d, e, f, g, h] = this.#out as unknown as Eight
    const left = channels[0]!
    if (channels.length === 1) {
      const mono = scale * Math.SQRT1_2
      for (let n = 0; n < frames; n++) {
        left[n] = (a[n]! - c[n]! + e[n]! - g[n]! + b[n]! - d[n]! + f[n]! - h[n]!) * mono
      }
      return
    }
    const right = channels[1]!
    for (let n = 0; n < frames; n++) {
      left[n] = (a[n]! - c[n]! + e[n]! - g[n]!) * scale
      right[n] = (b[n]! - d[n]! + f[n]! - h[n]!) * scale
    }
  }
}

type Eight = [
  Float32Array,
  Float32Array,
  Float32Array,
  Float32Array,
  Float32Array,
  Float32Array,
  Float32Array,
  Float32Array,
]

/** Silence from 360 dB down: what is left of two such values after they cancel is no denormal number yet. */
function hushed(x: number): number {
  return x < 1e-18 && x > -1e-18 ? 0 : x
}

/** What keeps the Hadamard matrix of order 8 from growing: 1/√8. */
const MIX = 0.35355339059327373

/** The Hadamard matrix of order 8 over whole blocks in place; still to be scaled by {@link MIX}. */
function hadamard(x: readonly Float32Array[], frames: number): void {
  for (let step = 1; step < LINES; step *= 2) {
    for (let i = 0; i < LINES; i += 2 * step) {
      for (let k = i; k < i + step; k++) {
        const p = x[k]!
        const q = x[k + step]!
        for (let n = 0; n < frames; n++) {
          const a = p[n]!
          const b = q[n]!
          p[n] = a + b
          q[n] = a - b
        }
      }
    }
  }
}

export const makeReverb: MakeProcessor = (params, _, channels) => new Reverb(params, channels)
