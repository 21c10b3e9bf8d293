import { strings } from '../voices/string'
import { sustained } from '../voices/sustained'
import { below } from '../voices/spectrum'

/** An upright bass, plucked. */
export const standingBass = strings({
  rings: () => 1.6,
  dulls: 0.85,
  pluck: 0.09,
  place: 0.2,
  damped: 0.1,
  seed: 1163,
})

/** An electric bass under the fingers. */
export const fingerBass = strings({
  rings: () => 4.5,
  dulls: 0.6,
  pluck: 0.12,
  place: 0.16,
  damped: 0.06,
  seed: 1171,
})

/** An electric bass that is slapped or picked. */
export const slapBass = strings({
  rings: () => 3.5,
  dulls: 0.35,
  pluck: 0.5,
  place: 0.08,
  damped: 0.05,
  seed: 1181,
})

/** A bass that an oscillator makes, behind a filter that shuts after the attack. */
export const synthBass = sustained({
  harmonic: (k, hz, bright) => below(hz, 250 + 1800 * bright) / k,
  unison: [1],
  attack: 0.004,
  settle: { seconds: 0.35, held: 0.55 },
  release: 0.05,
  opens: 0.8,
  vibrato: { rate: 5, depth: 0, after: 1 },
  noise: { held: 0, begin: 0, wide: 1 },
  scoop: 0,
  seed: 1187,
})
