import { TICKS_PER_QUARTER } from '@rudlo/core/time'
import {
  brushes,
  harp,
  hum,
  lowStrings,
  squeezebox,
  STROKE,
  tide,
  uprightBass,
  whistle,
} from '@rudlo/core/players'
import { melody, type Score, type WrittenNote } from './score'

const BARS = 32
const bar = (n: number) => (n - 1) * 4

/** One chord a bar: root of the bass, then the notes of the chord. */
type Chord = readonly [bass: number, ...notes: number[]]
const Dm: Chord = [38, 62, 65, 69]
const C: Chord = [36, 60, 64, 67]
const Bb: Chord = [34, 58, 62, 65]
const Am: Chord = [33, 57, 60, 64]
const F: Chord = [41, 60, 65, 69]
const G: Chord = [43, 59, 62, 67]
const Gm: Chord = [43, 58, 62, 67]
const As: Chord = [33, 57, 62, 64]
const A: Chord = [33, 57, 61, 64]

const CHORDS: readonly Chord[] = [
  ...[Dm, C, Bb, Am],
  ...[Dm, F, C, G, Dm, Bb, C, Dm],
  ...[F, C, Gm, Dm, Bb, F, As, A],
  ...[Dm, Bb, F, C, Dm, Gm, A, Dm],
  ...[Bb, C, Dm, Dm],
]

/** How strongly each bar is played: the song's own dynamics, 0…1. */
const STRENGTH: readonly number[] = [
  ...[0.16, 0.18, 0.2, 0.22],
  ...[0.42, 0.42, 0.44, 0.46, 0.46, 0.48, 0.48, 0.44],
  ...[0.4, 0.42, 0.44, 0.44, 0.48, 0.52, 0.58, 0.66],
  ...[0.84, 0.86, 0.88, 0.9, 0.94, 0.98, 1, 0.86],
  ...[0.34, 0.28, 0.22, 0.16],
]

function eachBar(
  from: number,
  to: number,
  write: (chord: Chord, strength: number, at: number, n: number) => WrittenNote[],
): WrittenNote[] {
  const notes: WrittenNote[] = []
  for (let n = from; n <= to; n++) notes.push(...write(CHORDS[n - 1]!, STRENGTH[n - 1]!, bar(n), n))
  return notes
}

const chordsHeld = eachBar(1, BARS, ([, ...chord], s, at, n) => {
  const full = s * (n >= 5 && n <= 12 ? 1.15 : 0.9)
  if (n <= 4 || n >= 29) return chord.map((pitch) => ({ at, quarters: 3.9, pitch, strength: full * 1.3 }))
  return chord.flatMap((pitch) => [
    { at, quarters: 1.4, pitch, strength: full },
    { at: at + 1.5, quarters: 0.4, pitch, strength: full * 0.75 },
    { at: at + 2, quarters: 1.9, pitch, strength: full * 0.92 },
  ])
})

const tune = [
  ...melody(bar(5), 0.5, [
    [74, 1],
    [77, 0.5],
    [76, 0.5],
    [74, 1],
    [69, 1],
  ]),
  ...melody(bar(6), 0.52, [
    [72, 1],
    [69, 0.5],
    [72, 0.5],
    [77, 2],
  ]),
  ...melody(bar(7), 0.52, [
    [76, 1],
    [79, 0.5],
    [77, 0.5],
    [76, 1],
    [72, 1],
  ]),
  ...melody(bar(8), 0.5, [
    [74, 1.5],
    [71, 0.5],
    [67, 2],
  ]),
  ...melody(bar(9), 0.56, [
    [74, 1],
    [77, 0.5],
    [79, 0.5],
    [81, 1],
    [77, 1],
  ]),
  ...melody(bar(10), 0.6, [
    [74, 1],
    [77, 0.5],
    [74, 0.5],
    [82, 1.5],
    [81, 0.5],
  ]),
  ...melody(bar(11), 0.56, [
    [79, 1],
    [76, 0.5],
    [79, 0.5],
    [77, 1],
    [76, 1],
  ]),
  ...melody(bar(12), 0.5, [
    [74, 3],
    [0, 1],
  ]),
  ...melody(bar(21), 0.88, [
    [74, 0.5],
    [76, 0.5],
    [77, 1],
    [81, 1.5],
    [79, 0.5],
  ]),
  ...melody(bar(22), 0.9, [
    [77, 1],
    [74, 1],
    [82, 2],
  ]),
  ...melody(bar(23), 0.92, [
    [81, 1],
    [84, 0.5],
    [81, 0.5],
    [77, 2],
  ]),
  ...melody(bar(24), 0.92, [
    [79, 1],
    [76, 0.5],
    [79, 0.5],
    [84, 2],
  ]),
  ...melody(bar(25), 1, [
    [86, 1.5],
    [84, 0.5],
    [81, 1],
    [77, 1],
  ]),
  ...melody(bar(26), 0.98, [
    [82, 1],
    [81, 0.5],
    [79, 0.5],
    [74, 2],
  ]),
  ...melody(bar(27), 0.94, [
    [76, 1],
    [81, 1],
    [79, 0.5],
    [77, 0.5],
    [73, 1],
  ]),
  ...melody(bar(28), 0.84, [[74, 4]]),
  ...melody(bar(31), 0.24, [
    [74, 1],
    [77, 0.5],
    [76, 0.5],
    [74, 2],
  ]),
]

const answer = [
  ...melody(bar(13), 0.5, [
    [69, 1.5],
    [67, 0.5],
    [65, 2],
  ]),
  ...melody(bar(14), 0.5, [
    [67, 1],
    [64, 1],
    [60, 2],
  ]),
  ...melody(bar(15), 0.54, [
    [70, 1.5],
    [69, 0.5],
    [67, 1],
    [62, 1],
  ]),
  ...melody(bar(16), 0.52, [
    [65, 1],
    [64, 1],
    [62, 2],
  ]),
  ...melody(bar(17), 0.58, [
    [62, 1],
    [65, 1],
    [70, 2],
  ]),
  ...melody(bar(18), 0.62, [
    [69, 1],
    [65, 1],
    [72, 2],
  ]),
  ...melody(bar(19), 0.7, [
    [74, 1.5],
    [72, 0.5],
    [69, 2],
  ]),
  ...melody(bar(20), 0.78, [
    [73, 2],
    [69, 2],
  ]),
  ...melody(bar(21), 0.8, [
    [65, 2],
    [72, 2],
  ]),
  ...melody(bar(22), 0.8, [
    [70, 2],
    [65, 2],
  ]),
  ...melody(bar(23), 0.82, [
    [69, 2],
    [65, 2],
  ]),
  ...melody(bar(24), 0.82, [
    [67, 2],
    [72, 2],
  ]),
  ...melody(bar(25), 0.9, [
    [74, 2],
    [69, 2],
  ]),
  ...melody(bar(26), 0.88, [
    [70, 2],
    [67, 2],
  ]),
  ...melody(bar(27), 0.86, [
    [69, 2],
    [64, 2],
  ]),
  ...melody(bar(28), 0.7, [[65, 4]]),
]

const broken = eachBar(1, BARS, ([, a, b, c], s, at, n) => {
  const run = [a!, c!, b! + 12, a! + 12, c!, a! + 12, b!, c!]
  if (n <= 4 || n >= 29)
    return melody(at, s * 1.6, [
      [a!, 1],
      [c!, 1],
      [b! + 12, 2],
    ])
  return run.map((pitch, i) => ({
    at: at + i / 2,
    quarters: 1.4,
    pitch,
    strength: s * (i % 4 ? 0.75 : 0.95),
  }))
})

const bassLine = eachBar(5, 30, ([root], s, at, n) => {
  const next = CHORDS[n]?.[0] ?? root
  const walk = next > root ? root + 5 : root + 7
  if (n >= 29) return melody(at, s, [[root, 4]])
  if (n >= 21)
    return melody(at, s, [
      [root, 1],
      [root + 12, 0.5],
      [walk, 0.5],
      [root, 1],
      [walk, 1],
    ])
  return melody(at, s * 0.95, [
    [root, 1.5],
    [root, 0.5],
    [walk, 2],
  ])
})

const beats = eachBar(9, 28, (_, s, at, n) => {
  const stroke = (beat: number, pitch: number, strength: number) => ({
    at: at + beat,
    quarters: 0.2,
    pitch,
    strength,
  })
  const taps = [0, 0.5, 1, 1.5, 2, 2.5, 3, 3.5].map((b) => stroke(b, STROKE.tap, s * (b % 1 ? 0.35 : 0.55)))
  const swishes = [stroke(1, STROKE.swish, s), stroke(3, STROKE.swish, s * 1.05)]
  const kicks = n < 13 ? [] : [stroke(0, STROKE.kick, s), stroke(2, STROKE.kick, s * 0.8)]
  const extra = n >= 21 ? [stroke(2.5, STROKE.kick, s * 0.7), stroke(3.5, STROKE.swish, s * 0.6)] : []
  return [...taps, ...swishes, ...kicks, ...extra]
})

const strings = eachBar(13, 30, ([root, , third, fifth], s, at) => [
  { at, quarters: 4, pitch: root + 12, strength: s },
  { at, quarters: 4, pitch: fifth! - 12, strength: s * 0.8 },
  { at, quarters: 4, pitch: third!, strength: s * 0.5 },
])

const water = [
  { at: 0, quarters: bar(14), pitch: 60, strength: 0.8 },
  { at: bar(27), quarters: bar(33) - bar(27), pitch: 60, strength: 0.8 },
]

/** A slow tune for a boat coming home: D minor, 96 a minute, five sections, eight players. */
export const eveningFerry: Score = {
  title: 'The Evening Ferry',
  bars: BARS,
  tempo: [{ tick: 0, bpm: 96, form: 'hold' }],
  meter: [{ tick: 0, beats: 4, unit: 4 }],
  sections: [
    { id: 'opening', letter: 'A', name: 'Opening', tick: 0 },
    { id: 'tune', letter: 'B', name: 'Tune', tick: bar(5) * TICKS_PER_QUARTER },
    { id: 'answer', letter: 'C', name: 'Answer', tick: bar(13) * TICKS_PER_QUARTER },
    { id: 'together', letter: 'D', name: 'Together', tick: bar(21) * TICKS_PER_QUARTER },
    { id: 'close', letter: 'E', name: 'Close', tick: bar(29) * TICKS_PER_QUARTER },
  ],
  parts: [
    part('squeezebox', 'Squeezebox', 'chords', squeezebox, chordsHeld, 0.012, 0.62),
    part('whistle', 'Whistle', 'lead', whistle, tune, 0.014, 0.5),
    part('hum', 'Hum', 'voice', hum, answer, 0.02, 0.5),
    part('harp', 'Harp', 'chords', harp, broken, 0.01, 0.55),
    part('bass', 'Upright bass', 'bass', uprightBass, bassLine, 0.009, 0.6),
    part('brushes', 'Brushes', 'drums', brushes, beats, 0.006, 0.6),
    part('strings', 'Low strings', 'chords', lowStrings, strings, 0.02, 0.55),
    { ...part('tide', 'Tide', 'texture', tide, water, 0, 0.3), channels: 2 },
  ],
}

function part(
  id: string,
  name: string,
  role: Score['parts'][number]['role'],
  instrument: Score['parts'][number]['instrument'],
  notes: readonly WrittenNote[],
  freedom: number,
  peak: number,
): Score['parts'][number] {
  return { id, name, role, channels: 1, instrument, notes, freedom, peak }
}
