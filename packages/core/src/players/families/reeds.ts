import { sustained, type SustainedVoice } from '../voices/sustained'
import { below, falls, hill } from '../voices/spectrum'

const REED: SustainedVoice = {
  harmonic: (k, hz, bright) =>
    (0.35 + hill(hz, 900, 600) + 0.5 * hill(hz, 2200, 900)) * falls(k, 1.05 - 0.6 * bright) * below(hz, 7000),
  unison: [1],
  attack: 0.04,
  settle: { seconds: 0.2, held: 0.9 },
  release: 0.07,
  opens: 0.4,
  vibrato: { rate: 5.3, depth: 0.005, after: 0.3 },
  noise: { held: 0.05, begin: 0.12, wide: 1 },
  scoop: 0.02,
  seed: 1279,
}

/** A conical pipe with one reed: all harmonics, breath in the tone. */
export const saxophone = sustained(REED)

/** A cylindrical pipe with one reed: hardly any even harmonics below the fifth (A. H. Benade 1976). */
export const clarinet = sustained({
  ...REED,
  harmonic: (k, hz, bright) =>
    (k % 2 ? 1 : Math.min(0.6, 0.06 * k)) * falls(k, 1.3 - 0.55 * bright) * below(hz, 5000),
  vibrato: { rate: 5, depth: 0.0008, after: 0.4 },
  noise: { held: 0.02, begin: 0.05, wide: 0.8 },
  scoop: 0,
  seed: 1283,
})

/** Two reeds: thin, nasal, the formants of an oboe near 1.1 and 2.7 kHz. */
export const oboe = sustained({
  ...REED,
  harmonic: (k, hz, bright) =>
    (0.18 + 1.2 * hill(hz, 1100, 320) + 0.7 * hill(hz, 2700, 600)) *
    falls(k, 0.75 - 0.35 * bright) *
    below(hz, 7500),
  noise: { held: 0.012, begin: 0.05, wide: 0.8 },
  scoop: 0.006,
  seed: 1289,
})

/** Two reeds and a long pipe: a formant near 450 Hz. */
export const bassoon = sustained({
  ...REED,
  harmonic: (k, hz, bright) =>
    (0.15 + 1.3 * hill(hz, 450, 170) + 0.35 * hill(hz, 1150, 350)) *
    falls(k, 0.7 - 0.3 * bright) *
    below(hz, 4200),
  noise: { held: 0.015, begin: 0.05, wide: 0.8 },
  scoop: 0.004,
  seed: 1291,
})
