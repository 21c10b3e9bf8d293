import { sustained, type SustainedVoice } from '../voices/sustained'
import { below, falls, hill } from '../voices/spectrum'

/** Brass: the louder, the more of what is high; strongest around a formant (J.-C. Risset and M. Mathews 1969). */
const bell = (formant: number) => (k: number, hz: number, bright: number) =>
  (0.4 + hill(hz, formant, formant * 0.7)) * falls(k, 1.7 - 1.5 * bright) * below(hz, 1500 + 6500 * bright)

const BLOWN: SustainedVoice = {
  harmonic: bell(1200),
  unison: [1],
  attack: 0.045,
  settle: { seconds: 0.12, held: 0.85 },
  release: 0.07,
  opens: 0.75,
  vibrato: { rate: 5.2, depth: 0.003, after: 0.4 },
  noise: { held: 0.012, begin: 0.06, wide: 0.8 },
  scoop: 0.02,
  seed: 1231,
}

export const trumpet = sustained(BLOWN)
export const trombone = sustained({ ...BLOWN, harmonic: bell(600), attack: 0.055, seed: 1237 })
export const tuba = sustained({ ...BLOWN, harmonic: bell(280), attack: 0.06, opens: 0.5, seed: 1249 })
/** Softer, rounder: a horn, or a trumpet behind a mute. */
export const horn = sustained({
  ...BLOWN,
  harmonic: (k, hz, bright) => bell(420)(k, hz, bright * 0.6),
  attack: 0.07,
  release: 0.12,
  seed: 1259,
})
/** Several together. */
export const brassSection = sustained({
  ...BLOWN,
  unison: [0.9968, 1.0004, 1.0035],
  attack: 0.06,
  release: 0.1,
  seed: 1277,
})
