import { sustained, type SustainedVoice } from '../voices/sustained'
import { below, falls, hill } from '../voices/spectrum'

const OSCILLATOR: SustainedVoice = {
  harmonic: (k) => 1 / k,
  unison: [1],
  attack: 0.008,
  settle: { seconds: 0.4, held: 0.85 },
  release: 0.06,
  opens: 0,
  vibrato: { rate: 5.5, depth: 0.004, after: 0.35 },
  noise: { held: 0, begin: 0, wide: 1 },
  scoop: 0,
  seed: 1307,
}

/** What a filter that rings lets through of an oscillator: all below, and most where it rings. */
const ringing = (hz: number) => below(hz, 5200) * (1 + 1.6 * hill(hz, 1800, 700))

/** Saws a little apart: every harmonic, each as much weaker as it is higher, through a filter that rings. */
export const sawLead = sustained({
  ...OSCILLATOR,
  harmonic: (k, hz) => ringing(hz) * falls(k, 0.8),
  unison: [0.9983, 1.0017],
})

/** A square: every other harmonic. */
export const squareLead = sustained({
  ...OSCILLATOR,
  harmonic: (k, hz) => (k % 2 ? ringing(hz) / k : 0),
  seed: 1319,
})

/** Soft and wide, slow to come and to go. */
export const warmPad = sustained({
  ...OSCILLATOR,
  harmonic: (k, hz) => hill(hz, 0, 1100) / k,
  unison: [0.9945, 0.9982, 1.0019, 1.0056],
  attack: 0.45,
  settle: { seconds: 1.5, held: 0.9 },
  release: 0.8,
  opens: 0.3,
  vibrato: { rate: 0.5, depth: 0.002, after: 0 },
  seed: 1321,
})

/** Glassy and wide: few harmonics, far apart. */
export const glassPad = sustained({
  ...OSCILLATOR,
  harmonic: (k) => ({ 1: 1, 2: 0.2, 3: 0.35, 5: 0.3, 8: 0.22, 12: 0.12 })[k] ?? 0,
  unison: [0.9972, 1.0003, 1.0031],
  attack: 0.3,
  settle: { seconds: 2, held: 0.6 },
  release: 1,
  vibrato: { rate: 0.9, depth: 0.0015, after: 0 },
  tremble: { rate: 3.1, depth: 0.2 },
  seed: 1327,
})
