import { sustained } from '../voices/sustained'
import { below, falls, hill } from '../voices/spectrum'

/** The formants of "ah" and "oo" (G. Fant 1960): where the mouth is strong, and how strong, and how wide. */
const AH = [
  [730, 1, 90],
  [1090, 0.55, 110],
  [2440, 0.16, 160],
  [3400, 0.08, 220],
] as const
const OO = [
  [310, 1, 70],
  [870, 0.22, 100],
  [2250, 0.04, 160],
] as const

type Formants = readonly (readonly [hz: number, strength: number, wide: number])[]

const mouth = (formants: Formants) => (k: number, hz: number, bright: number) =>
  formants.reduce((sum, [at, strength, wide]) => sum + strength * hill(hz, at, wide), 0.08) *
  falls(k, 1.1 - 0.5 * bright) *
  below(hz, 5000)

const SINGERS = {
  unison: [0.9965, 0.9992, 1.0013, 1.0041],
  attack: 0.14,
  settle: { seconds: 0.5, held: 0.94 },
  release: 0.28,
  opens: 0.2,
  vibrato: { rate: 5.2, depth: 0.0045, after: 0.25 },
  noise: { held: 0.02, begin: 0.03, wide: 1.4 },
  scoop: 0.008,
} as const

/** A choir on "ah". */
export const choir = sustained({ ...SINGERS, harmonic: mouth(AH), seed: 1223 })

/** Voices on "oo". */
export const voiceOo = sustained({ ...SINGERS, harmonic: mouth(OO), unison: [0.9985, 1.0014], seed: 1229 })
