import { tanPi } from '../../maths'
import { clamp } from '../../scale'
import { SAMPLE_RATE } from '../../time'
import { BLOCK, type BlockTime } from '../../engine/block'
import type { Doubles, Floats, Kernels, MemoryPart } from '../../kernels'
import { atEnd, atStart, isCalm, type MakeProcessor, type Params, type Processor } from '../processor'

const HALF_SECOND = 22_050
/** A fast sweep is computed anew at every so many frames, and runs straight between. */
const STRIDE = 16
/** Numbers that make the filter. */
const TERMS = 6

/** Where each kind of filter does nothing, and from where on it fades into the dry sound, in Hz. */
const NEUTRAL: Readonly<Record<string, { readonly dry: number; readonly full: number } | null>> = {
  'low-pass': { dry: 20_000, full: 16_000 },
  'high-pass': { dry: 20, full: 26 },
  'band-pass': null,
}

/** Share of the filter in its output: 1, but falling to 0 at the neutral end of its range. */
export function shareAt(mode: string, frequency: number): number {
  const end = NEUTRAL[mode]
  return end ? clamp((frequency - end.dry) / (end.full - end.dry), 0, 1) : 1
}

/**
 * A sweepable filter of 12 dB an octave: the topology-preserving state-variable filter (V. Zavalishin, The Art of
 * VA Filter Design, chapter 4), whose state stays meaningful however fast its frequency moves.
 */
class StateVariableFilter implements Processor {
  readonly tail = HALF_SECOND
  readonly #state: Doubles
  /** For every stretch of a block: its terms, and the step of each a sample. */
  readonly #segments: Doubles
  /** The terms at both ends of a stretch, then the frequency and the damping that they are for. */
  #from = new Float64Array(TERMS + 2)
  #to = new Float64Array(TERMS + 2)
  readonly #kernels: Kernels
  readonly #low: number
  readonly #band: number
  readonly #high: number

  constructor(
    private readonly params: Params,
    private readonly mode: string,
    memory: MemoryPart,
  ) {
    this.#kernels = memory.kernels
    this.#state = memory.doubles(4)
    this.#segments = memory.doubles((BLOCK / STRIDE) * 2 * TERMS)
    this.#low = mode === 'low-pass' ? 1 : 0
    this.#band = mode === 'band-pass' ? 1 : 0
    this.#high = mode === 'high-pass' ? 1 : 0
  }

  process({ frames }: BlockTime, channels: readonly Floats[]): void {
    const frequency = this.params['frequency']!
    const resonance = this.params['resonance']!
    const first = atStart(frequency)
    const last = atEnd(frequency, frames)
    // a slow sweep runs straight through the block, a fast one is followed more closely
    const stride = isCalm(frequency, frames) && isCalm(resonance, frames) ? BLOCK : STRIDE
    this.#find(this.#from, first, 1 / atStart(resonance))
    for (let from = 0, at = 0; from < frames; from += stride, at += 2 * TERMS) {
      const to = Math.min(frames, from + stride)
      const f = to < frames ? frequency.at(to) : last
      this.#find(this.#to, f, 1 / (to < frames ? resonance.at(to) : atEnd(resonance, frames)))
      this.#write(at, to - from)
    }
    const left = channels[0]!.at
    const right = channels[channels.length - 1]!.at
    this.#kernels.svf(left, right, frames, stride, this.#state.at, this.#segments.at)
  }

  /** The terms of the filter at a frequency and a damping; see the kernel. */
  #find(out: Float64Array, frequency: number, k: number): void {
    if (out[TERMS] === frequency && out[TERMS + 1] === k) return
    const g = tanPi(frequency / SAMPLE_RATE)
    const a = 1 / (1 + g * (g + k))
    const share = shareAt(this.mode, frequency)
    out[0] = 2 * a - 1
    out[1] = 2 * g * a
    out[2] = 2 * g * g * a
    // low·v2 + band·k·v1 + high·(x − k·v1 − v2), beside the dry sound
    out[3] = share * (this.#low - this.#high)
    out[4] = share * k * (this.#band - this.#high)
    out[5] = share * this.#high + 1 - share
    out[TERMS] = frequency
    out[TERMS + 1] = k
  }

  /** Lays down how the terms run in a stretch of so many samples. The next one begins where it ends. */
  #write(at: number, count: number): void {
    const { view } = this.#segments
    const from = this.#from
    const to = this.#to
    for (let i = 0; i < TERMS; i++) {
      view[at + i] = from[i]!
      view[at + TERMS + i] = (to[i]! - from[i]!) / count
    }
    this.#from = to
    this.#to = from
  }

  reset(): void {
    this.#state.view.fill(0)
  }
}

export const makeFilter: MakeProcessor = (params, mode, _, memory) =>
  new StateVariableFilter(params, mode, memory)
