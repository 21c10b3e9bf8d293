import { TICKS_PER_QUARTER } from '@rudlo/core/time'
import { brushes, harp, hum, lowStrings, squeezebox, STROKE, uprightBass, whistle } from '@rudlo/core/players'
import { melody, type Part, type Score, type WrittenNote } from './score'

const BARS = 54
const bar = (n: number) => (n - 1) * 3

/** One chord a bar: root of the bass, then the notes of the chord. */
type Chord = readonly [bass: number, ...notes: number[]]
const Gm: Chord = [43, 58, 62, 67]
const Cm: Chord = [36, 60, 63, 67]
const D: Chord = [38, 57, 62, 66]
const Eb: Chord = [39, 58, 63, 67]
const F: Chord = [41, 57, 60, 65]
const Bb: Chord = [34, 58, 62, 65]

const WALTZ: readonly Chord[] = [Gm, D, Gm, F, Bb, F, Bb, D, Gm, Cm, F, Bb, Eb, Cm, D, Gm]
const CHORDS: readonly Chord[] = [
  ...[Gm, Gm, Cm, Gm, Eb, Cm, D, D],
  ...WALTZ,
  ...[Eb, Bb, Cm, Gm, Eb, Bb, Cm, D],
  ...WALTZ,
  ...[Cm, Gm, Eb, D, Gm, Gm],
]

/** How strongly a bar is played: the song's own dynamics, 0…1. */
function strength(n: number): number {
  if (n <= 8) return 0.2 + n * 0.012
  if (n <= 24) return 0.42 + (n - 9) * 0.008
  if (n <= 32) return 0.3 + (n - 25) * 0.045
  if (n <= 48) return 0.82 + (n - 33) * 0.011
  return 0.34 - (n - 49) * 0.035
}

function eachBar(
  from: number,
  to: number,
  write: (chord: Chord, strength: number, at: number, n: number) => WrittenNote[],
): WrittenNote[] {
  const notes: WrittenNote[] = []
  for (let n = from; n <= to; n++) notes.push(...write(CHORDS[n - 1]!, strength(n), bar(n), n))
  return notes
}

type Line = readonly (readonly [pitch: number, quarters: number])[]

/** The waltz's tune, a bar a line. */
const TUNE: readonly Line[] = [
  [
    [67, 2],
    [70, 1],
  ],
  [
    [69, 2],
    [66, 1],
  ],
  [
    [67, 1],
    [70, 1],
    [74, 1],
  ],
  [[72, 3]],
  [
    [74, 2],
    [77, 1],
  ],
  [
    [75, 1],
    [72, 1],
    [69, 1],
  ],
  [
    [70, 2],
    [74, 1],
  ],
  [[69, 3]],
  [
    [67, 2],
    [70, 1],
  ],
  [
    [72, 1],
    [75, 1],
    [79, 1],
  ],
  [
    [77, 2],
    [75, 1],
  ],
  [[74, 3]],
  [
    [75, 2],
    [74, 1],
  ],
  [
    [72, 1],
    [75, 1],
    [72, 1],
  ],
  [
    [69, 1],
    [74, 1],
    [66, 1],
  ],
  [[67, 3]],
]

const TURN: readonly Line[] = [
  [[79, 3]],
  [
    [77, 2],
    [74, 1],
  ],
  [[75, 3]],
  [
    [74, 2],
    [70, 1],
  ],
  [
    [67, 1],
    [70, 1],
    [75, 1],
  ],
  [[77, 3]],
  [
    [75, 1],
    [72, 1],
    [67, 1],
  ],
  [[69, 3]],
]

/** A singer who pushes one phrase and swallows the next: somebody has to even it out. */
const UNEVEN = [1.35, 0.55, 1.2, 0.7, 1.4, 0.5, 1.1, 0.65] as const

const sung = TUNE.flatMap((line, i) => melody(bar(9 + i), 0.5 * UNEVEN[Math.floor(i / 2)]!, line))
const sungAgain = TUNE.flatMap((line, i) => melody(bar(33 + i), 0.78 * (i % 4 < 2 ? 1.1 : 0.9), line))
const lastWord = melody(bar(49), 0.4, [
  [67, 1],
  [63, 1],
  [62, 4],
])

const overIt = TUNE.flatMap((line, i) =>
  melody(
    bar(33 + i),
    0.8,
    line.map(([pitch, quarters]) => [pitch + 12, quarters] as const),
  ),
)
const turn = TURN.flatMap((line, i) => melody(bar(25 + i), 0.45 + i * 0.03, line))

const steps = eachBar(9, 48, ([root, , third, fifth], s, at, n) => {
  const beat = (when: number, pitch: number, how: number) => ({
    at: at + when,
    quarters: 0.8,
    pitch,
    strength: s * how,
  })
  const chord = [third!, fifth!]
  if (n >= 25 && n <= 32)
    return [root + 24, ...chord].map((pitch) => ({ at, quarters: 2.9, pitch, strength: s }))
  return [...chord.map((p) => beat(1, p, 0.9)), ...chord.map((p) => beat(2, p, 0.75))]
})

const bells = eachBar(1, BARS, ([, a, b, c], s, at, n) => {
  if (n <= 8 || n >= 49)
    return melody(at, s * 1.7, [
      [a! + 12, 1],
      [c! + 12, 1],
      [b! + 12, 1],
    ])
  return [a!, b! + 12, c!, a! + 12, b! + 12, c! + 12].map((pitch, i) => ({
    at: at + i / 2,
    quarters: 1,
    pitch,
    strength: s * (i ? 0.7 : 1),
  }))
})

const bass = eachBar(9, 52, ([root], s, at, n) =>
  n >= 25 && n <= 32
    ? melody(at, s, [[root, 3]])
    : melody(at, s * 1.05, [
        [root, 2],
        [n % 2 ? root + 7 : root, 1],
      ]),
)

const drums = eachBar(17, 48, (_, s, at, n) => {
  if (n >= 25 && n <= 30) return []
  const stroke = (beat: number, pitch: number, how: number) => ({
    at: at + beat,
    quarters: 0.2,
    pitch,
    strength: s * how,
  })
  return [
    stroke(0, STROKE.kick, 0.9),
    stroke(1, STROKE.swish, 0.7),
    stroke(2, STROKE.swish, 0.8),
    ...[0, 0.5, 1, 1.5, 2, 2.5].map((b) => stroke(b, STROKE.tap, b % 1 ? 0.3 : 0.5)),
  ]
})

const cushion = eachBar(1, BARS, ([root, a, b, c], s, at, n) => {
  const how = n <= 8 ? 1.3 : n >= 25 && n <= 32 ? 1.2 : 0.75
  return [root + 12, a!, b!, c!].map((pitch, i) => ({
    at,
    quarters: 3,
    pitch,
    strength: s * how * (i ? 0.8 : 1),
  }))
})

const part = (
  id: string,
  name: string,
  role: Part['role'],
  instrument: Part['instrument'],
  notes: readonly WrittenNote[],
  freedom: number,
  peak: number,
): Part => ({ id, name, role, channels: 1, instrument, notes, freedom, peak })

const tick = (n: number) => bar(n) * TICKS_PER_QUARTER

/** A waltz for a street of lanterns: G minor in three, slowing into the turn, quicker when it comes round. */
export const lanterns: Score = {
  title: 'Lanterns on Mill Lane',
  bars: BARS,
  tempo: [
    { tick: 0, bpm: 120, form: 'hold' },
    { tick: tick(21), bpm: 120, form: 'ramp' },
    { tick: tick(25), bpm: 104, form: 'hold' },
    { tick: tick(33), bpm: 138, form: 'hold' },
    { tick: tick(49), bpm: 138, form: 'ramp' },
    { tick: tick(BARS + 1), bpm: 84, form: 'hold' },
  ],
  meter: [{ tick: 0, beats: 3, unit: 4 }],
  sections: [
    { id: 'dusk', letter: 'A', name: 'Dusk', tick: 0 },
    { id: 'waltz', letter: 'B', name: 'Waltz', tick: tick(9) },
    { id: 'turn', letter: 'C', name: 'Turn', tick: tick(25) },
    { id: 'round', letter: 'D', name: 'All round', tick: tick(33) },
    { id: 'out', letter: 'E', name: 'Lights out', tick: tick(49) },
  ],
  parts: [
    part('singer', 'Singer', 'voice', hum, [...sung, ...sungAgain, ...lastWord], 0.018, 0.55),
    part('fife', 'Fife', 'lead', whistle, [...turn, ...overIt], 0.012, 0.45),
    part('accordion', 'Accordion', 'chords', squeezebox, steps, 0.01, 0.5),
    part('bells', 'Street harp', 'chords', harp, bells, 0.009, 0.5),
    part('double-bass', 'Double bass', 'bass', uprightBass, bass, 0.008, 0.6),
    part('shuffle', 'Shuffle', 'drums', brushes, drums, 0.006, 0.55),
    part('cushion', 'String cushion', 'texture', lowStrings, cushion, 0.02, 0.5),
  ],
}
