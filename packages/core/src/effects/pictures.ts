import type { EffectKind } from './catalogue'
import { cosPi, dbOfGain, exp, sinPi, tanPi } from '../maths'
import { SAMPLE_RATE, TICKS_PER_QUARTER } from '../time'
import { bell, identity, shelf, type Coefficients } from './parts/biquad'
import { shareAt } from './filter/processor'

/** The settings of an effect. What follows is for pictures of effects: the engine does not use it. */
type Settings = Readonly<Record<string, number>>

const square = (x: number) => x * x

/** Gain of a biquad at a frequency, as amplitude. */
function biquadGain({ b0, b1, b2, a1, a2 }: Coefficients, frequency: number): number {
  const w = (2 * frequency) / SAMPLE_RATE
  const [c1, s1, c2, s2] = [cosPi(w), sinPi(w), cosPi(2 * w), sinPi(2 * w)]
  const top = square(b0 + b1 * c1 + b2 * c2) + square(b1 * s1 + b2 * s2)
  const bottom = square(1 + a1 * c1 + a2 * c2) + square(a1 * s1 + a2 * s2)
  return Math.sqrt(top / bottom)
}

/** dB of an EQ at a frequency. `settings` as in its effect. */
export function eqResponse(settings: Settings, frequency: number): number {
  const out = identity()
  let gain = 1
  shelf('low', settings['lowFrequency']!, settings['lowGain']!, out)
  gain *= biquadGain(out, frequency)
  bell(settings['bellFrequency']!, settings['bellGain']!, settings['bellQ']!, out)
  gain *= biquadGain(out, frequency)
  shelf('high', settings['highFrequency']!, settings['highGain']!, out)
  return dbOfGain(gain * biquadGain(out, frequency))
}

/**
 * dB of a filter at a frequency: the state-variable filter as a bilinear transform of its analogue model (V. Zavalishin,
 * The Art of VA Filter Design, chapter 4), with its fade into the dry sound at the neutral end.
 */
export function filterResponse(mode: string, settings: Settings, frequency: number): number {
  const cut = settings['frequency']!
  const k = 1 / settings['resonance']!
  // the analogue frequency that the bilinear transform puts here, relative to the cut-off
  const w = tanPi(Math.min(frequency, 22_000) / SAMPLE_RATE) / tanPi(cut / SAMPLE_RATE)
  const re = 1 - w * w
  const im = k * w
  const size = re * re + im * im
  // numerators of low-, band- and high-pass over s² + k·s + 1 at s = iw
  const [top, side] = mode === 'low-pass' ? [1, 0] : mode === 'high-pass' ? [-w * w, 0] : [0, k * w]
  const real = (top * re + side * im) / size
  const imaginary = (side * re - top * im) / size
  const share = shareAt(mode, cut)
  return dbOfGain(Math.sqrt(square(1 - share + share * real) + square(share * imaginary)))
}

const RESPONSES: Partial<
  Record<EffectKind, (mode: string, settings: Settings, frequency: number) => number>
> = { eq: (_, settings, frequency) => eqResponse(settings, frequency), filter: filterResponse }

/** dB of an effect at a frequency; 0 for one whose picture is another. */
export const effectResponse = (
  kind: EffectKind,
  mode: string,
  settings: Settings,
  frequency: number,
): number => RESPONSES[kind]?.(mode, settings, frequency) ?? 0

/** One repeat of a delay. */
export interface Repeat {
  /** Quarters after the sound. */
  readonly quarters: number
  /** Amplitude, where the sound is 1. */
  readonly gain: number
  /** Which side it comes from, for a sound in the middle: −1 left, 0 both, 1 right. */
  readonly side: -1 | 0 | 1
}

/**
 * The repeats of a delay until they are 40 dB down, at most `most`.
 * @param bpm quarters a minute
 */
export function delayRepeats(mode: string, settings: Settings, bpm: number, most = 32): Repeat[] {
  const gap = mode === 'note' ? settings['note']! / TICKS_PER_QUARTER : (settings['time']! / 60_000) * bpm
  const repeats: Repeat[] = []
  let gain = 1
  for (let i = 1; i <= most && gain >= 0.01; i++) {
    const across = settings['sideToSide']! > 0.5
    repeats.push({ quarters: gap * i, gain, side: across ? (i % 2 ? -1 : 1) : 0 })
    gain *= settings['feedback']!
  }
  return repeats
}

/** Amplitude of a reverb so many ms after a knock: silence up to the pre-delay, then 60 dB down in the decay time. */
export function reverbDecay(settings: Settings, ms: number): number {
  const after = ms - settings['preDelay']!
  return after < 0 ? 0 : exp((-6.907755278982137 * after) / settings['decay']!)
}
