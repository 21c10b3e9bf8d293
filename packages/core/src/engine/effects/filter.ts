import { tanPi } from '../../maths'
import { clamp } from '../../scale'
import { SAMPLE_RATE } from '../../time'
import type { BlockTime } from '../block'
import { atEnd, atStart, settled, type MakeProcessor, type Params, type Processor } from './effect'

const HALF_SECOND = 22_050
/** The filter's coefficient is computed at every so many frames and runs straight between. */
const STRIDE = 16

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
  readonly #states: readonly Float64Array[]
  readonly #low: number
  readonly #band: number
  readonly #high: number

  constructor(
    private readonly params: Params,
    private readonly mode: string,
    channels: 1 | 2,
  ) {
    this.#states = Array.from({ length: channels }, () => new Float64Array(2))
    this.#low = mode === 'low-pass' ? 1 : 0
    this.#band = mode === 'band-pass' ? 1 : 0
    this.#high = mode === 'high-pass' ? 1 : 0
  }

  process({ frames }: BlockTime, channels: readonly Float32Array[]): void {
    const frequency = this.params['frequency']!
    const resonance = this.params['resonance']!
    const k0 = 1 / atStart(resonance)
    const k1 = 1 / atEnd(resonance, frames)
    for (let from = 0; from < frames; from += STRIDE) {
      const to = Math.min(frames, from + STRIDE)
      const fFrom = frequency.uniform ? frequency.value : frequency.values[from]!
      const fTo = frequency.uniform ? frequency.value : frequency.values[to - 1]!
      const g0 = tanPi(fFrom / SAMPLE_RATE)
      const g1 = fTo === fFrom ? g0 : tanPi(fTo / SAMPLE_RATE)
      const share0 = shareAt(this.mode, fFrom)
      const share1 = shareAt(this.mode, fTo)
      const ka = k0 + ((k1 - k0) * from) / frames
      const kb = k0 + ((k1 - k0) * to) / frames
      for (let c = 0; c < channels.length; c++) {
        this.#run(channels[c]!, this.#states[c]!, from, to, g0, g1, ka, kb, share0, share1)
      }
    }
  }

  reset(): void {
    for (const state of this.#states) state.fill(0)
  }

  #run(
    x: Float32Array,
    state: Float64Array,
    from: number,
    to: number,
    g0: number,
    g1: number,
    k0: number,
    k1: number,
    share0: number,
    share1: number,
  ): void {
    const count = to - from
    const dg = (g1 - g0) / count
    const dk = (k1 - k0) / count
    const ds = (share1 - share0) / count
    let s1 = state[0]!
    let s2 = state[1]!
    let g = g0
    let k = k0
    let share = share0
    for (let n = from; n < to; n++) {
      const v0 = x[n]!
      const a1 = 1 / (1 + g * (g + k))
      const v3 = v0 - s2
      const v1 = a1 * (s1 + g * v3)
      const v2 = s2 + g * v1
      s1 = 2 * v1 - s1
      s2 = 2 * v2 - s2
      const y = this.#low * v2 + this.#band * k * v1 + this.#high * (v0 - k * v1 - v2)
      x[n] = v0 + (y - v0) * share
      g += dg
      k += dk
      share += ds
    }
    state[0] = settled(s1)
    state[1] = settled(s2)
  }
}

export const makeFilter: MakeProcessor = (params, mode, channels) =>
  new StateVariableFilter(params, mode, channels)
