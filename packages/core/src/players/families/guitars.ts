import { exp } from '../../maths'
import type { Instrument } from '../note'
import { driven } from '../voices/driven'
import { strings } from '../voices/string'

/** Halved every octave and a half above the lowest string of a guitar. */
const rings = (seconds: number) => (pitch: number) =>
  Math.max(0.4, seconds * exp(-(Math.max(0, pitch - 40) / 18) * 0.693))

/** Gut or nylon over a wooden box, plucked by the fingertip. */
export const nylonGuitar = strings({
  rings: rings(4.2),
  dulls: 0.55,
  pluck: 0.42,
  place: 0.23,
  damped: 0.09,
  seed: 1097,
})

/** Steel over a wooden box, struck with a pick near the bridge. */
export const steelGuitar = strings({
  rings: rings(6),
  dulls: 0.22,
  pluck: 0.85,
  place: 0.15,
  damped: 0.09,
  seed: 1103,
})

/** Steel over pickups, without a box. */
export const electricGuitar = strings({
  rings: rings(7),
  dulls: 0.34,
  pluck: 0.6,
  place: 0.2,
  damped: 0.06,
  seed: 1109,
})

/** The same through an amplifier that is too small for it. */
export const drivenGuitar: Instrument = driven(
  strings({ rings: rings(11), dulls: 0.25, pluck: 0.7, place: 0.17, damped: 0.06, seed: 1117 }),
  { drive: 14, dull: 0.42 },
)

/** A muted string: struck, and over at once. */
export const mutedGuitar = strings({
  rings: (pitch) => rings(0.5)(pitch),
  dulls: 0.7,
  pluck: 0.5,
  place: 0.18,
  damped: 0.04,
  seed: 1123,
})

/** A long neck, a hard plectrum, a skin or a thin board: banjo, lute, sitar, koto. */
export const longNeck = strings({
  rings: rings(2.4),
  dulls: 0.16,
  pluck: 0.95,
  place: 0.09,
  damped: 0.12,
  seed: 1129,
})

/** A concert harp. */
export const concertHarp = strings({
  rings: rings(5),
  dulls: 0.4,
  pluck: 0.4,
  place: 0.42,
  damped: 0.5,
  seed: 1151,
})

/** Bowed strings that are plucked. */
export const pizzicato = strings({
  rings: rings(0.75),
  dulls: 0.75,
  pluck: 0.4,
  place: 0.3,
  damped: 0.1,
  seed: 1153,
})
