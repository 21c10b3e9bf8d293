import { sustained, type SustainedVoice } from '../voices/sustained'
import { below, falls } from '../voices/spectrum'

const FLUTE: SustainedVoice = {
  harmonic: (k, hz, bright) => (k === 1 ? 1 : (0.12 + 0.42 * bright) * falls(k - 1, 1.7)) * below(hz, 6000),
  unison: [1],
  attack: 0.06,
  settle: { seconds: 0.2, held: 0.92 },
  release: 0.09,
  opens: 0.3,
  vibrato: { rate: 5.1, depth: 0.0045, after: 0.25 },
  noise: { held: 0.3, begin: 0.8, wide: 0.8 },
  scoop: 0.012,
  seed: 1297,
}

/** Air across an edge: one strong harmonic, a few weak ones, breath. */
export const flute = sustained(FLUTE)

/** A small flute of wood or clay: rounder, with a chiff. */
export const recorder = sustained({
  ...FLUTE,
  harmonic: (k, hz, bright) => (k % 2 ? falls(k, 2.4 - 0.5 * bright) : 0.08 / k) * below(hz, 6000),
  attack: 0.025,
  vibrato: { rate: 4.6, depth: 0.0015, after: 0.35 },
  noise: { held: 0.14, begin: 1.2, wide: 0.7 },
  scoop: 0.006,
  seed: 1301,
})

/** Pipes and bottles that are blown over: as much breath as tone. */
export const breathyPipe = sustained({
  ...FLUTE,
  harmonic: (k) => (k === 1 ? 1 : 0.14 / k),
  attack: 0.09,
  noise: { held: 1.6, begin: 2, wide: 1 },
  seed: 1303,
})
