import { exp, sinPi } from '../../maths'
import { hz } from '../note'
import { struck, type Partial } from '../voices/struck'

/** How far the partials of a stiff string are stretched: 0.0004 at middle C, twice as much every eight semitones (H. Fletcher 1962). */
const stretchOf = (pitch: number) => Math.max(0.00012, 0.0004 * exp(((pitch - 60) / 8) * 0.693))

/** Frequency of partial `k` of a string of stiffness `b`, as a factor on the first. */
const stretched = (k: number, b: number) => k * Math.sqrt((1 + b * k * k) / (1 + b))

/** Partials up to about 9 kHz, and not more than are heard. */
const countOf = (pitch: number, most: number) => Math.max(3, Math.min(most, Math.floor(9000 / hz(pitch))))

/** Strings that a hammer strikes at an eighth of their length: two or three a note, a little apart, of which one rings longer. */
export const piano = struck({
  partials: (pitch, strength) => {
    const b = stretchOf(pitch)
    const rings = Math.min(14, 8 * exp(-((pitch - 60) / 17) * 0.693))
    const open = 700 + 2600 * strength
    return Array.from({ length: countOf(pitch, 22) }, (_, i) => i + 1).flatMap((k): Partial[] => {
      const amplitude = (Math.abs(sinPi(k / 8.2)) + 0.06) * exp(-(hz(pitch) * k) / open) * (k === 1 ? 1.1 : 1)
      const seconds = Math.max(0.12, rings / (1 + 0.22 * (k - 1)))
      const ratio = stretched(k, b)
      return k > 5
        ? [{ ratio, amplitude, seconds: seconds * 0.6 }]
        : [
            { ratio, amplitude: amplitude * 0.75, seconds: seconds * 0.5 },
            { ratio: ratio * 1.0006, amplitude: amplitude * 0.35, seconds },
          ]
    })
  },
  attack: 0.002,
  damped: 0.12,
  blow: { amplitude: 0.35, seconds: 0.018, bright: 0.08 },
  seed: 1009,
})

/** Tines that little hammers strike: almost a sine, with a bell at its beginning. */
export const tinePiano = struck({
  partials: (pitch, strength) => [
    { ratio: 1, amplitude: 1, seconds: Math.min(9, 6 * exp(-((pitch - 60) / 24) * 0.693)) },
    { ratio: 2, amplitude: 0.12 + 0.4 * strength * strength, seconds: 2.2 },
    { ratio: 3, amplitude: 0.04 + 0.18 * strength * strength, seconds: 1.5 },
    { ratio: 4, amplitude: 0.08 * strength * strength, seconds: 1 },
    { ratio: 7.1, amplitude: 0.1 * strength, seconds: 0.35 },
  ],
  attack: 0.003,
  damped: 0.1,
  blow: { amplitude: 0.12, seconds: 0.01, bright: 0.2 },
  seed: 1013,
})

/** Strings that quills pluck: as loud and as bright however they are played. */
export const quills = struck({
  partials: (pitch) =>
    Array.from({ length: countOf(pitch, 28) }, (_, i) => i + 1).map((k) => ({
      ratio: stretched(k, 0.00004),
      amplitude: (Math.abs(sinPi(k / 7.3)) + 0.1) / Math.sqrt(k),
      seconds: Math.max(0.15, (4.5 * exp(-((pitch - 60) / 20) * 0.693)) / (1 + 0.08 * k)),
    })),
  attack: 0.001,
  damped: 0.07,
  blow: { amplitude: 0.5, seconds: 0.006, bright: 0.9 },
  seed: 1019,
})
