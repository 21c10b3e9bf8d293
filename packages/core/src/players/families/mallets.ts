import { exp } from '../../maths'
import { struck, type Partial, type StruckVoice } from '../voices/struck'

/** How much shorter higher notes ring: half as long every so many semitones. */
const shorter = (pitch: number, half: number) => exp(-((pitch - 72) / half) * 0.693)

/** A row of bars or bells with the same partials at every pitch. */
const bars = (
  partials: readonly (readonly [ratio: number, amplitude: number, seconds: number])[],
  half: number,
  more: Omit<StruckVoice, 'partials'>,
) =>
  struck({
    partials: (pitch, strength) =>
      partials.map(([ratio, amplitude, seconds], i): Partial => ({
        ratio,
        // a harder blow brings out what is high
        amplitude: i ? amplitude * (0.35 + 0.65 * strength) : amplitude,
        seconds: Math.max(0.04, seconds * shorter(pitch, half)),
      })),
    ...more,
  })

/** Steel bars of a glockenspiel or celesta: the modes of a free bar, 1 : 2.76 : 5.4 (N. Fletcher and T. Rossing 1998, ch. 2). */
export const steelBars = bars(
  [
    [1, 1, 3],
    [2.756, 0.5, 1.2],
    [5.404, 0.28, 0.5],
    [8.93, 0.08, 0.2],
  ],
  14,
  { attack: 0.001, damped: null, blow: { amplitude: 0.25, seconds: 0.004, bright: 0.9 }, seed: 1021 },
)

/** Metal bars tuned to 1 : 4 over tubes whose lids turn. */
export const vibes = bars(
  [
    [1, 1, 5],
    [3.984, 0.25, 1.4],
    [10.2, 0.08, 0.3],
  ],
  18,
  { attack: 0.002, damped: 0.2, blow: { amplitude: 0.1, seconds: 0.006, bright: 0.3 }, seed: 1031 },
)

/** Rosewood bars, tuned to 1 : 4 : 9.2 (marimba) and over in half a second. */
export const woodenBars = bars(
  [
    [1, 1, 0.55],
    [3.96, 0.3, 0.16],
    [9.2, 0.16, 0.07],
  ],
  12,
  { attack: 0.001, damped: null, blow: { amplitude: 0.35, seconds: 0.006, bright: 0.5 }, seed: 1033 },
)

/** Tubes and church bells: the partials around the strike note (hum, prime, tierce, quint, nominal and on). */
export const bells = bars(
  [
    [0.5, 0.35, 7],
    [1, 0.7, 5],
    [1.19, 0.55, 4],
    [1.5, 0.3, 3],
    [2, 0.9, 3],
    [2.51, 0.35, 1.6],
    [3.01, 0.35, 1.3],
    [4.16, 0.25, 0.9],
    [5.43, 0.15, 0.5],
  ],
  20,
  { attack: 0.002, damped: null, blow: { amplitude: 0.2, seconds: 0.01, bright: 0.7 }, seed: 1039 },
)

/** Tongues that are plucked with the thumb, and the comb of a music box. */
export const tongues = bars(
  [
    [1, 1, 1.6],
    [5.8, 0.22, 0.35],
    [6.9, 0.14, 0.3],
  ],
  14,
  { attack: 0.001, damped: null, blow: { amplitude: 0.3, seconds: 0.005, bright: 0.6 }, seed: 1049 },
)

/** A steel pan: harmonics that were hammered into it, and a shell that answers late. */
export const steelPan = bars(
  [
    [1, 0.85, 1.5],
    [2, 1, 0.9],
    [3, 0.45, 0.55],
    [4.02, 0.4, 0.35],
    [5.1, 0.16, 0.2],
  ],
  16,
  { attack: 0.006, damped: null, blow: { amplitude: 0.25, seconds: 0.008, bright: 0.4 }, seed: 1051 },
)

/** Blocks of wood and small metal cups: two dull modes and they are gone. */
export const blocks = bars(
  [
    [1, 1, 0.12],
    [2.42, 0.5, 0.07],
    [4.1, 0.2, 0.04],
  ],
  24,
  { attack: 0.001, damped: null, blow: { amplitude: 0.5, seconds: 0.004, bright: 0.5 }, seed: 1061 },
)

/** Skins over a kettle: nearly harmonic from the second mode on, 1 : 1.5 : 2 : 2.44 (N. Fletcher and T. Rossing 1998, ch. 18). */
export const kettles = bars(
  [
    [1, 1, 2.6],
    [1.504, 0.6, 1.9],
    [1.742, 0.14, 0.35],
    [2, 0.45, 1.5],
    [2.44, 0.25, 1],
    [2.9, 0.12, 0.8],
  ],
  40,
  { attack: 0.003, damped: null, blow: { amplitude: 0.5, seconds: 0.03, bright: 0.06 }, seed: 1063 },
)

/** A drum with a pitch: tom, taiko. */
export const toms = bars(
  [
    [1, 1, 0.7],
    [1.59, 0.5, 0.35],
    [2.14, 0.3, 0.25],
    [2.3, 0.2, 0.2],
    [2.65, 0.14, 0.18],
  ],
  60,
  { attack: 0.001, damped: null, blow: { amplitude: 0.6, seconds: 0.02, bright: 0.12 }, seed: 1069 },
)
