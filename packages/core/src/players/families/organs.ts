import { sustained } from '../voices/sustained'
import { below, falls } from '../voices/spectrum'

/** The drawbars of an organ: harmonics that a row of wheels has, drawn out as far as these numbers say. */
const DRAWN: Readonly<Record<number, number>> = { 1: 1, 2: 0.8, 3: 0.62, 4: 0.5, 6: 0.24, 8: 0.3 }
/** Pipes: principals an octave apart, with the harmonics that metal pipes have. */
const PIPES = [1, 0.55, 0.32, 0.4, 0.12, 0.16, 0.08, 0.22, 0.04, 0.05, 0.03, 0.08]

const STEADY = { rate: 5.8, depth: 0.0004, after: 0 }

/** An organ of turning wheels: speaks at once, holds as long as the key. */
export const wheelOrgan = sustained({
  harmonic: (k) => DRAWN[k] ?? 0,
  unison: [1],
  attack: 0.006,
  settle: { seconds: 0.05, held: 0.96 },
  release: 0.02,
  opens: 0,
  vibrato: { rate: 6.6, depth: 0.0022, after: 0 },
  noise: { held: 0, begin: 0.04, wide: 0.9 },
  scoop: 0,
  tremble: { rate: 6.6, depth: 0.12 },
  seed: 1087,
})

/** A church organ. */
export const pipeOrgan = sustained({
  harmonic: (k) => PIPES[k - 1] ?? 0,
  unison: [0.9994, 1.0007],
  attack: 0.05,
  settle: { seconds: 0.1, held: 0.97 },
  release: 0.18,
  opens: 0.1,
  vibrato: STEADY,
  noise: { held: 0.006, begin: 0.05, wide: 0.6 },
  scoop: 0,
  seed: 1091,
})

/** Reeds in a frame: accordion, harmonium, mouth organ. Nearly all harmonics, two reeds a little apart. */
export const reedOrgan = sustained({
  harmonic: (k, _, bright) => (k % 2 ? 1 : 0.7) * falls(k, 0.95 - 0.45 * bright) * below(k, 18),
  unison: [0.9978, 1.0021],
  attack: 0.06,
  settle: { seconds: 0.3, held: 0.92 },
  release: 0.08,
  opens: 0.35,
  vibrato: { rate: 5.6, depth: 0.0008, after: 0.2 },
  noise: { held: 0.01, begin: 0.02, wide: 0.5 },
  scoop: 0,
  seed: 1093,
})
