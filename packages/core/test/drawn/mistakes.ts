/**
 * Works with one of the usual mistakes, and works that come near it and are right: 20 of each for every mistake. What they
 * sound like is written by hand as well: how loud each part is, where it comes in, where it peaks.
 */
import type { Heard, Part } from '../../src/heard'
import type { CommandNote } from '../../src/evidence'
import type { Mix } from '../../src/mix'
import { addReturn, addSend, plainMix } from '../../src/mix'
import type { SongVersion } from '../../src/song'
import { smallSong } from '../songs'
import { Chance, drawn, MANNERS, type Aim, type DrawnPoint } from './hand'
import { barTick, SECTION_BARS, SONG_BARS } from './moves'

export interface MistakeCase {
  readonly name: string
  readonly kind: string
  /** Whether the mistake is made. */
  readonly made: boolean
  readonly mix: Mix
  readonly heard: Heard
  readonly commands: readonly CommandNote[]
  readonly open: readonly string[]
  readonly writing: readonly string[]
}

const REED = 'track/reed/level'
const SEND = 'send/to-hall/level'
const END = barTick(SONG_BARS + 1)
const BAR = 3840
const BEAT = 960
const HOPS = 640

export const song: SongVersion = {
  ...smallSong(64),
  sections: SECTION_BARS.map((bar, i) => ({ id: `s${i}`, letter: 'ABCD'[i]!, name: '', tick: barTick(bar) })),
}

/** The mix that everybody starts from: a hall, and sends to it that are shut. */
export const start: Mix = ['reed', 'pad'].reduce(
  (mix, track) => addSend(mix, track, 'hall', track === 'reed' ? 'to-hall' : 'pad-hall'),
  addReturn(plainMix(song), 'Hall', 'reverb', { back: 'hall', effect: 'hall-reverb' }),
)

/** A part of so many LUFS in each hop. */
export const part = (level: (hop: number) => number): Part => {
  const energy = new Float64Array(HOPS).map((_, i) => 10 ** ((level(i) + 0.691) / 10) / 2)
  return { left: energy, right: energy.slice(), bright: null, peaks: null }
}

/** What is heard: everything plays all the time, with room left, unless something else is said. */
export function steady(more: Partial<Heard> = {}): Heard {
  return {
    hops: HOPS,
    mix: part(() => -16),
    still: part(() => -16),
    peaks: new Float64Array(HOPS).fill(-6),
    tracks: { reed: part(() => -20), pad: part(() => -22) },
    shares: {},
    entries: { reed: [0], pad: [0] },
    ...more,
  }
}

type Made = Partial<Omit<MistakeCase, 'name' | 'kind' | 'made'>>
type Cases = {
  readonly guilty: (c: Chance, i: number) => Made
  readonly right: (c: Chance, i: number) => Made
}

/** A mix with lines on it; a setting may be changed as well. */
function withLines(lines: Readonly<Record<string, readonly DrawnPoint[]>>, base: Mix = start): Mix {
  const envelopes = Object.entries(lines).map(([address, points], i) => ({
    id: `line-${i}`,
    address,
    on: true,
    open: true,
    points,
  }))
  return { ...base, envelopes }
}

const level = (aims: readonly Aim[], c: Chance, i: number) => drawn(aims, MANNERS[i % 4]!, c, -90, 6)
const placed = (aims: readonly Aim[], c: Chance) => drawn(aims, 'points', c, -90, 6)

/** A dip that is right in every way. */
const goodDip = (c: Chance, arrives = barTick(9)): Aim[] => {
  const depth = c.between(4, 8)
  return [
    { tick: 0, value: -3 },
    { tick: arrives - BEAT, value: -3 },
    { tick: arrives, value: -3 - depth },
    { tick: barTick(17), value: -3 - depth },
    { tick: barTick(17, 3), value: -3 },
  ]
}

const hop = (tick: number) => Math.floor(tick / 192)

const CASES: Readonly<Record<string, Cases>> = {
  drift: {
    guilty: (c) => ({
      mix: withLines({
        [REED]: placed(
          [
            { tick: barTick(c.whole(1, 3)), value: c.between(-4, 2) },
            { tick: barTick(c.whole(19, 32)), value: c.between(-20, -10) },
          ],
          c,
        ),
      }),
    }),
    right: (c, i) =>
      i % 2
        ? { mix: withLines({ [REED]: level(goodDip(c), c, i) }) }
        : {
            mix: withLines({
              [REED]: placed(
                [
                  { tick: 0, value: -3 },
                  { tick: barTick(28), value: -3 },
                  { tick: barTick(c.whole(30, 32)), value: -90 },
                ],
                c,
              ),
            }),
          },
  },
  'never back': {
    guilty: (c, i) => ({
      mix: withLines(
        i % 2
          ? { [REED]: level(risesAt(c, barTick(c.whole(6, 14)), c.between(4, 8)), c, i) }
          : {
              [SEND]: placed(
                [
                  { tick: 0, value: -90 },
                  { tick: barTick(c.whole(5, 20)), value: -90 },
                  { tick: barTick(21), value: c.between(-10, 0) },
                ],
                c,
              ),
            },
      ),
    }),
    right: (c, i) => ({
      mix: withLines({
        [REED]: level(
          i % 2
            ? [
                { tick: 0, value: -10 },
                { tick: barTick(8), value: -10 },
                { tick: barTick(9), value: -5 },
                { tick: barTick(17), value: -5 },
                { tick: barTick(18), value: -10 + c.off(0.2) },
              ]
            : [
                { tick: 0, value: -90 },
                { tick: barTick(c.whole(3, 6)), value: c.between(-6, 0) },
              ],
          c,
          i,
        ),
      }),
    }),
  },
  'cut off': {
    guilty: (c) => {
      const at = barTick(c.whole(6, 30), c.whole(1, 4))
      return {
        mix: withLines({
          [REED]: placed(
            [
              { tick: 0, value: c.between(-6, 0) },
              { tick: at, value: -90, at: 'once' },
            ],
            c,
          ),
        }),
      }
    },
    right: (c, i) => {
      const at = barTick(c.whole(6, 24), c.whole(1, 4))
      if (i % 4 === 0) {
        // cut where nothing plays any more
        const silent = part((n) => (n >= hop(at) - 12 ? -200 : -20))
        const aims: Aim[] = [
          { tick: 0, value: -3 },
          { tick: at, value: -90, at: 'once' },
        ]
        return { mix: withLines({ [REED]: placed(aims, c) }), heard: steady({ tracks: { reed: silent } }) }
      }
      if (i % 4 === 1) {
        // a rhythm of jumps on the grid
        const chops = Array.from({ length: 16 }, (_, k): DrawnPoint => ({
          tick: at + k * (BEAT / 2),
          value: k % 2 ? -90 : -3,
          form: 'jump',
          bend: 0,
        }))
        return { mix: withLines({ [REED]: chops }) }
      }
      if (i % 4 === 2) {
        const aims: Aim[] = [
          { tick: 0, value: -3 },
          { tick: at, value: -3 },
          { tick: at + c.between(480, 3000), value: -90 },
        ]
        return { mix: withLines({ [REED]: placed(aims, c) }) }
      }
      return {
        mix: withLines({
          [REED]: placed(
            [
              { tick: 0, value: -3 },
              { tick: at, value: -3 - c.between(1, 6), at: 'once' },
            ],
            c,
          ),
        }),
      }
    },
  },
  late: {
    guilty: (c, i) => ({
      mix: withLines({ [REED]: level(goodDip(c, barTick(9) + BEAT * c.between(0.5, 3)), c, i) }),
      heard: steady({ entries: { reed: [0], pad: [barTick(9)] } }),
    }),
    right: (c, i) => ({
      mix: withLines({ [REED]: level(goodDip(c, barTick(9) - BEAT * c.between(0, 2)), c, i) }),
      heard: steady({ entries: { reed: [0], pad: [barTick(9)] } }),
    }),
  },
  'too hot': {
    guilty: (c, i) => hot(c, i, c.between(-0.8, 2), 3),
    right: (c, i) => (i % 2 ? hot(c, i, c.between(-5, -1.2), 3) : hot(c, i, 1, 0)),
  },
  'tail cut': {
    guilty: (c) => {
      const at = barTick(c.whole(10, 26))
      return {
        mix: withLines(
          {
            'return/hall/level': placed(
              [
                { tick: 0, value: 0 },
                { tick: at, value: 0 },
                { tick: at + c.between(60, 3000), value: -90 },
              ],
              c,
            ),
          },
          opened(),
        ),
      }
    },
    right: (c, i) => {
      const at = barTick(c.whole(10, 22))
      const shut: Aim[] = [
        { tick: 0, value: -8 },
        { tick: at, value: -8 },
        { tick: at + 480, value: -90 },
      ]
      if (i % 2) return { mix: withLines({ [SEND]: placed(shut, c) }, opened()) }
      return {
        mix: withLines(
          {
            [SEND]: placed(shut, c),
            'return/hall/level': placed(
              [
                { tick: 0, value: 0 },
                { tick: at + 4 * BAR, value: 0 },
                { tick: at + 5 * BAR, value: -90 },
              ],
              c,
            ),
          },
          opened(),
        ),
      }
    },
  },
  'stray lane': {
    guilty: (c) => stray(c, 'moved', [REED]),
    right: (c, i) => (i % 2 ? stray(c, 'hand', [REED]) : stray(c, 'hold', [REED, 'track/pad/pan'])),
  },
  'ploughed over': {
    guilty: (c) => ploughed(c, 'play to stop', c.whole(2, 5), false),
    right: (c, i) =>
      i % 2
        ? ploughed(c, 'play to stop', c.whole(2, 5), true)
        : ploughed(c, i % 4 ? 'hold' : 'play to stop', 0, false),
  },
  'fader fights': {
    guilty: (c, i) => ({
      mix: withLines({ [REED]: level(goodDip(c), c, i) }, faderAt(c.one([-14, -10, 3, 5]) + c.off(0.5))),
    }),
    right: (c, i) => {
      const rest = c.between(-8, -4)
      return i % 2
        ? { mix: withLines({ [REED]: level(goodDip(c), c, i) }) }
        : {
            mix: withLines(
              { [REED]: level([{ tick: 0, value: rest }, ...lower(rest)], c, i) },
              faderAt(rest),
            ),
          }
    },
  },
  'too many points': {
    guilty: (c) => {
      const count = c.whole(60, 200)
      return {
        mix: withLines({
          [REED]: Array.from({ length: count }, (_, k): DrawnPoint => ({
            tick: Math.round((k * END) / count),
            value: -6 + c.off(0.05),
            form: 'straight',
            bend: 0,
          })).map((p, k) => (k > count / 2 ? { ...p, value: p.value - 4 } : p)),
        }),
      }
    },
    right: (c, i) =>
      i % 2
        ? { mix: withLines({ [REED]: level(goodDip(c), c, 0) }) }
        : {
            // every point is needed: a ride that goes up and down all the time
            mix: withLines({
              [REED]: Array.from({ length: 50 }, (_, k): DrawnPoint => ({
                tick: k * 2400,
                value: k % 2 ? c.between(-14, -10) : c.between(-5, -1),
                form: 'straight',
                bend: 0,
              })),
            }),
          },
  },
  'wrong tool': {
    guilty: (c, i) => ({
      mix: withLines({
        [REED]: placed(
          i % 2
            ? [{ tick: barTick(c.whole(1, 9)), value: c.between(-20, -4) }]
            : [
                { tick: 0, value: -8 },
                { tick: barTick(20), value: -8 },
              ],
          c,
        ),
      }),
    }),
    right: (c, i) => ({
      mix: withLines({
        [REED]: placed(i % 2 ? [{ tick: barTick(c.whole(1, 9)), value: 0 }] : goodDip(c), c),
      }),
    }),
  },
  'too wet': {
    guilty: (c) => wet(c, c.between(1, 8), 'section'),
    right: (c, i) => (i % 2 ? wet(c, -c.between(2, 12), 'section') : wet(c, c.between(1, 8), 'moment')),
  },
  'left unsafe': {
    guilty: (c, i) => {
      const mix = withLines({ [REED]: level(goodDip(c), c, i) })
      return i % 2
        ? { mix: { ...mix, envelopes: mix.envelopes.map((e) => ({ ...e, on: false })) } }
        : { mix, writing: ['reed'] }
    },
    right: (c, i) => ({ mix: withLines({ [REED]: level(goodDip(c), c, i), [SEND]: [] }) }),
  },
  'off grid': {
    guilty: (c) => ({
      mix: withLines({ [REED]: placed(nudged(goodDip(c), c.one([-1, 1]) * c.whole(2, 28)), c) }),
    }),
    right: (c, i) =>
      i % 3 === 0
        ? { mix: withLines({ [REED]: placed(goodDip(c), c) }) }
        : i % 3 === 1
          ? { mix: withLines({ [REED]: placed(nudged(goodDip(c), c.whole(60, 400)), c) }) }
          : {
              // just before a note that begins a little early
              mix: withLines({ [REED]: placed(nudged(goodDip(c), -20, 2), c) }),
              heard: steady({ entries: { reed: [0], pad: [barTick(9) - 8] } }),
            },
  },
  'echo stays': {
    guilty: (c) => echo(c, 'pre', c.between(-20, -3)),
    right: (c, i) => (i % 2 ? echo(c, 'post', -6) : echo(c, 'pre', -90)),
  },
}

const risesAt = (c: Chance, tick: number, by: number): Aim[] => [
  { tick: 0, value: -12 },
  { tick, value: -12 },
  { tick: tick + BEAT * c.whole(1, 4), value: -12 + by },
  { tick: END - BAR, value: -12 + by },
]

const lower = (rest: number): Aim[] => [
  { tick: barTick(9), value: rest },
  { tick: barTick(10), value: rest - 6 },
  { tick: barTick(17), value: rest - 6 },
  { tick: barTick(18), value: rest },
]

/** All aims but the first moved, or only one of them. */
const nudged = (aims: readonly Aim[], by: number, only?: number): Aim[] =>
  aims.map((a, i) => (i === 0 || (only !== undefined && i !== only) ? a : { ...a, tick: a.tick + by }))

const faderAt = (level: number): Mix => ({
  ...start,
  tracks: start.tracks.map((t) => (t.id === 'reed' ? { ...t, level } : t)),
})

/** The starting mix with a send that is open. */
const opened = (): Mix => ({
  ...start,
  tracks: start.tracks.map((t) => ({
    ...t,
    sends: t.sends.map((s) => (s.id === 'to-hall' ? { ...s, level: -8 } : s)),
  })),
})

function hot(c: Chance, i: number, peak: number, adds: number): Made {
  const from = barTick(9)
  const to = barTick(17)
  const peaks = new Float64Array(HOPS).fill(-6)
  peaks[hop(c.between(from + BAR, to - BAR))] = peak
  const inside = (n: number) => n >= hop(from) && n < hop(to)
  return {
    mix: withLines({
      [REED]: level(
        [
          { tick: 0, value: -6 },
          { tick: from - BEAT, value: -6 },
          { tick: from, value: c.between(-1, 4) },
          { tick: to, value: 2 },
          { tick: to + BEAT, value: -6 },
        ],
        c,
        i,
      ),
    }),
    heard: steady({
      peaks,
      mix: part((n) => (inside(n) ? -14 + adds : -16)),
      still: part((n) => (inside(n) ? -14 : -16)),
    }),
  }
}

function stray(c: Chance, how: string, open: readonly string[]): Made {
  const from = barTick(c.whole(3, 20))
  const to = from + BAR * c.whole(1, 4)
  const pan = drawn(
    [
      { tick: 0, value: 0 },
      { tick: from, value: 0 },
      { tick: (from + to) / 2, value: c.one([-0.5, 0.6]) },
      { tick: to, value: 0 },
    ],
    'pass',
    c,
    -1,
    1,
  )
  return {
    mix: withLines({ 'track/pad/pan': pan }),
    commands: [{ lanes: ['track/pad/pan'], from, to, how }],
    open,
  }
}

/** So many steps by hand, then a pass over them; and what was there is drawn again, or not. */
function ploughed(c: Chance, how: string, steps: number, again: boolean): Made {
  const from = barTick(c.whole(2, 6))
  const to = from + BAR * c.whole(10, 20)
  const step = (how: string, a: number, b: number): CommandNote => ({ lanes: [REED], from: a, to: b, how })
  const at = (i: number) => from + BAR * (i + 1)
  return {
    mix: withLines({ [REED]: placed([{ tick: 0, value: c.between(-6, -1) }], c) }),
    commands: [
      ...Array.from({ length: steps }, (_, i) => step('hand', at(i), at(i) + BAR)),
      step(how, from, to),
      ...(again ? [step('hand', at(0), at(0) + BAR)] : []),
    ],
  }
}

function wet(c: Chance, over: number, long: 'section' | 'moment'): Made {
  const own = -24
  const loud = (n: number) => (long === 'section' ? n < hop(barTick(9)) : n > 100 && n < 115)
  const share = part((n) => (loud(n) ? own + over : own - 20))
  const energy = (n: number) => 10 ** (own / 10) + 10 ** ((loud(n) ? own + over : own - 20) / 10)
  const whole = part((n) => 10 * Math.log10(energy(n)))
  return {
    mix: withLines({ [SEND]: placed([{ tick: 0, value: c.between(-8, 0) }], c) }),
    heard: steady({ tracks: { reed: whole, pad: part(() => -22) }, shares: { reed: share } }),
  }
}

function echo(c: Chance, tap: 'pre' | 'post', open: number): Made {
  const from = barTick(c.whole(20, 26))
  const base: Mix = {
    ...start,
    tracks: start.tracks.map((t) => ({
      ...t,
      sends: t.sends.map((s) => (s.id === 'to-hall' ? { ...s, tap, level: open } : s)),
    })),
  }
  const aims: Aim[] = [
    { tick: 0, value: -3 },
    { tick: from, value: -3 },
    { tick: from + BAR * c.whole(1, 4), value: -90 },
  ]
  return { mix: withLines({ [REED]: placed(aims, c) }, base) }
}

/** Seeds of the half that nobody looks at start here. */
const SEALED = 900_000

/** So many works with each mistake, and as many that come near it, of the half that is worked on or of the other. */
export function mistakeCases(each: number, half: 'open' | 'sealed' = 'open'): MistakeCase[] {
  const seed = half === 'open' ? 7000 : SEALED
  return Object.entries(CASES).flatMap(([kind, cases], k) =>
    (['guilty', 'right'] as const).flatMap((which, w) =>
      Array.from({ length: each }, (_, i): MistakeCase => {
        const made = cases[which](new Chance(seed + k * 100 + w * 50 + i), i)
        return {
          name: `${kind}, ${which} ${i + 1}`,
          kind,
          made: which === 'guilty',
          mix: start,
          heard: steady(),
          commands: [],
          open: [REED],
          writing: [],
          ...made,
        }
      }),
    ),
  )
}
