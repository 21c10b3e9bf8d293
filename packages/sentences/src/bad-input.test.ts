/** Whatever a check or a mistake is asked about: a true sentence, never an exception. */
import { describe, expect, it } from 'vitest'
import { start as full, song as long } from '../../core/test/drawn/mistakes'
import { smallSong } from '../../core/test/songs'
import { wholeLines } from '../../core/test/judging/whole-lines'
import { CHECK_KINDS, judge, startValues, type Values } from '@rudlo/core/checks'
import { point, type Points } from '@rudlo/core/envelope'
import { evidenceOf, type MoreEvidence } from '@rudlo/core/evidence'
import type { Heard, Part } from '@rudlo/core/heard'
import { mistakesOf } from '@rudlo/core/mistakes'
import { plainMix, type Mix } from '@rudlo/core/mix'
import type { SongVersion } from '@rudlo/core/song'
import { Sayer } from '.'

const REED = 'track/reed/level'
const WHOLE = /^[A-Z0-9“][^{}|]*[.”]$/

const part = (hops: number, level: number): Part => {
  const side = new Float64Array(hops).fill(10 ** ((level + 0.691) / 10) / 2)
  return { left: side, right: side.slice(), bright: null, peaks: null }
}
const heard = (hops: number, reed: number): Heard => ({
  hops,
  mix: part(hops, Math.max(reed, -30)),
  still: part(hops, -20),
  peaks: new Float64Array(hops).fill(-6),
  tracks: { reed: part(hops, reed), pad: part(hops, -22) },
  shares: { reed: part(hops, reed - 10) },
  entries: { reed: [0], pad: [960] },
})
const withLine = (mix: Mix, points: Points, address = REED): Mix => ({
  ...mix,
  envelopes: [{ id: 'line', address, on: true, open: true, points }],
})

/** Two bars, in which the tempo doubles. */
const short: SongVersion = {
  ...smallSong(8),
  length: 7680,
  tempo: [
    { tick: 0, bpm: 60, form: 'ramp' },
    { tick: 7680, bpm: 120, form: 'hold' },
  ],
}
const fade = [point(0, -90), point(3840, 0), point(7680, -90)]
const dense = Array.from({ length: 5000 }, (_, i) => point(i * 24, -6 + 4 * Math.sin(i / 40)))
const gone: Mix = { ...full, tracks: full.tracks.filter((t) => t.id !== 'reed'), returns: [] }
const middle: Mix = {
  ...full,
  tracks: full.tracks.map((t) => ({
    ...t,
    regions: t.regions.map((r) => ({ ...r, start: 30_000, length: 200_000 })),
  })),
}

const CASES: readonly (readonly [string, SongVersion, Mix, Mix, MoreEvidence])[] = [
  ['a track and a return that were removed', long, full, withLine(gone, fade), { heard: heard(640, -20) }],
  [
    'a return that was renamed',
    long,
    full,
    { ...full, returns: full.returns.map((r) => ({ ...r, name: 'A @very: odd (name) – “x” $1' })) },
    {},
  ],
  [
    'a song of two bars whose tempo changes in a fade',
    short,
    plainMix(short),
    withLine(plainMix(short), fade),
    { heard: heard(55, -20) },
  ],
  ['a line with 5,000 points', long, full, withLine(full, dense), { heard: heard(640, -20) }],
  ['regions that start in the middle', long, full, withLine(middle, fade), { heard: heard(640, -20) }],
  [
    'a track that is silent for the whole song',
    long,
    full,
    withLine(full, fade),
    { heard: heard(640, -200), first: heard(640, -200) },
  ],
  ['nothing that was heard', long, full, full, {}],
  [
    'lines on everything',
    long,
    full,
    wholeLines(6, 'open').reduce(
      (m, l, i) =>
        withLine(
          m,
          l.points,
          ['main/level', REED, 'track/reed/mute', 'send/to-hall/on', 'return/hall/mute', 'track/pad/pan'][i]!,
        ),
      full,
    ),
    { heard: heard(640, -20) },
  ],
]

describe.each(CASES)('%s', (_, song, start, mix, more) => {
  const evidence = evidenceOf(song, start, mix, more)
  const sayer = new Sayer({ song, mix, start })
  const lane = (kind: string) => (kind === 'throw' ? 'send/to-hall/level' : REED)

  it.each(CHECK_KINDS.map((k) => [k.kind, k] as const))(
    'leaves a whole sentence to the check "%s"',
    (name, kind) => {
      for (const [from, to] of [
        [0, song.length],
        [song.length - 10, song.length],
        [0, 1],
      ] as const) {
        const values: Values = { ...startValues(kind, { song, mix: start, lane: lane(name), from, to }) }
        const finding = judge(evidence, { id: 'c', kind: name, values })
        expect(sayer.finding(finding)).toMatch(WHOLE)
        expect(sayer.finding(finding)).not.toMatch(/undefined|NaN|Infinity/)
        for (const f of finding.figures)
          expect(JSON.stringify(sayer.figure(f))).not.toMatch(/undefined|NaN|Infinity/)
      }
    },
  )

  it('leaves whole sentences to every mistake', () => {
    for (const mistake of mistakesOf(evidence)) {
      expect(sayer.say(mistake.says)).toMatch(WHOLE)
      expect(() => mistake.repair?.()).not.toThrow()
    }
  })
})
