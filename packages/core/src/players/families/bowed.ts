import { sustained, type SustainedVoice } from '../voices/sustained'
import { below, falls, hill } from '../voices/spectrum'

/** The body of a fiddle: strong around 280 and 460 Hz, a hill at 2 to 3 kHz (the bridge), falling above (J. Woodhouse 2014). */
const body = (hz: number) =>
  0.16 +
  0.3 * hill(hz, 285, 60) +
  0.75 * hill(hz, 460, 150) +
  0.6 * hill(hz, 1100, 500) +
  1.2 * hill(hz, 2500, 900)

/** What a bow draws from a string: a saw, duller the softer it is played. */
const bow = (k: number, hz: number, bright: number) =>
  body(hz) * falls(k, 1.2 - 0.45 * bright) * below(hz, 6500)

const BOWED: SustainedVoice = {
  harmonic: bow,
  unison: [1],
  attack: 0.09,
  settle: { seconds: 0.3, held: 0.92 },
  release: 0.12,
  opens: 0.3,
  vibrato: { rate: 5.6, depth: 0.0055, after: 0.18 },
  noise: { held: 0.03, begin: 0.1, wide: 1.2 },
  scoop: 0.004,
  seed: 1193,
}

/** One player. */
export const fiddle = sustained(BOWED)

/** A section: several players, none quite in tune with the next, slower to speak. */
export const section = sustained({
  ...BOWED,
  unison: [0.9958, 0.9985, 1.0012, 1.0037],
  attack: 0.18,
  release: 0.3,
  vibrato: { rate: 5.1, depth: 0.003, after: 0.2 },
  noise: { held: 0.02, begin: 0.04, wide: 1.2 },
  seed: 1201,
})

/** A section whose bows tremble. */
export const tremolo = sustained({
  ...BOWED,
  unison: [0.996, 0.9988, 1.0014, 1.004],
  attack: 0.09,
  release: 0.25,
  tremble: { rate: 11, depth: 0.5 },
  seed: 1213,
})

/** Strings as an oscillator makes them. */
export const synthStrings = sustained({
  harmonic: (k, hz) => hill(hz, 0, 3200) / k,
  unison: [0.9952, 1, 1.0046],
  attack: 0.22,
  settle: { seconds: 1, held: 0.95 },
  release: 0.45,
  opens: 0.2,
  vibrato: { rate: 0.7, depth: 0.0015, after: 0 },
  noise: { held: 0, begin: 0, wide: 1 },
  scoop: 0,
  seed: 1217,
})
