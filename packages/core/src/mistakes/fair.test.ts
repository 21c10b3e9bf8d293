/** Nobody is accused of what was asked for, or of another way to the same; and what is wrong is seen, whichever control did it. */
import { describe, expect, it } from 'vitest'
import { barTick as at } from '../../test/drawn/moves'
import { part as partOf, song, start as plain, steady as heard } from '../../test/drawn/mistakes'
import { point, type Points } from '../envelope'
import { evidenceOf, type Asked, type MoreEvidence } from '../evidence'
import { addEffect, withPoints, withSetting, type Mix } from '../mix'
import { mistakesOf } from '.'

const REED = 'track/reed/level'
const GAIN = 'track/reed/gain'
const MUTE = 'track/reed/mute'
const SEND = 'send/to-hall/level'
const HOPS = 640

/** A part of so many LUFS at each second. */
const part = (level: (second: number) => number) => partOf((hop) => level(hop / 10))
const lines = (all: Readonly<Record<string, Points>>, mix: Mix = plain) =>
  Object.entries(all).reduce((m, [lane, points], i) => withPoints(m, lane, points, () => `l${i}`), mix)
const asked = (kind: string, from: number, to: number, lane = REED): Asked => ({
  kind,
  lanes: [lane],
  from,
  to,
})
const pre = (mix: Mix): Mix => ({
  ...mix,
  tracks: mix.tracks.map((t) =>
    t.id === 'reed' ? { ...t, sends: t.sends.map((s) => ({ ...s, tap: 'pre' as const, level: -6 })) } : t,
  ),
})
const peakAt = (bar: number, db: number) => {
  const peaks = new Float64Array(HOPS).fill(-6)
  peaks[(bar - 1) * 20 + 5] = db
  return peaks
}
const line = (...points: readonly (readonly [tick: number, value: number])[]) =>
  points.map(([t, v]) => point(t, v))
const jump = (tick: number, from: number, to: number) => [point(0, from, 'jump'), point(tick, to)]
const out = (from: number, to: number) => line([0, 0], [from, 0], [to, -90])

interface Case {
  readonly what: string
  readonly mix: Mix
  readonly more?: MoreEvidence
  /** Another mix that everybody began with. */
  readonly from?: Mix
}

const RIGHT: Readonly<Record<string, readonly Case[]>> = {
  drift: [
    {
      what: 'a long fade that was asked for',
      mix: lines({ [REED]: line([at(5), 0], [at(20), -90]) }),
      more: { asked: [asked('fade out', at(5), at(20))] },
    },
    { what: 'a long fade to the end of the song', mix: lines({ [REED]: line([at(20), 0], [at(33), -90]) }) },
    { what: 'a long fade from its beginning', mix: lines({ [REED]: line([0, -90], [at(13), 0]) }) },
    { what: 'a long build to a section', mix: lines({ [REED]: line([at(1), -14], [at(17), -4]) }) },
  ],
  'cut off': [
    { what: 'a gain that jumps up', mix: lines({ [GAIN]: jump(at(9), 0, 9) }) },
    {
      what: 'a drop that was asked for',
      mix: lines({ [REED]: jump(at(17), -3, -40) }),
      more: { asked: [asked('drop', at(17), at(17))] },
    },
    {
      what: 'a mute where silence was asked for',
      mix: lines({ [MUTE]: jump(at(17), 0, 1) }),
      more: { asked: [asked('silence', at(17), at(17))] },
    },
    { what: 'a send that shuts', mix: lines({ [SEND]: jump(at(9), -6, -90) }) },
    { what: 'a mute that opens', mix: lines({ [MUTE]: jump(at(9), 1, 0) }) },
  ],
  'never back': [
    { what: 'a build', mix: lines({ [REED]: line([at(5), -12], [at(9), -4]) }) },
    { what: 'an entry from −30 dB', mix: lines({ [REED]: line([at(4), -30], [at(6), -4]) }) },
    { what: 'the last part', mix: lines({ [REED]: line([at(24, 4), -8], [at(25), -4]) }) },
    {
      what: 'a value that was asked for',
      mix: lines({ [REED]: line([at(6), -10], [at(7), -4]) }),
      more: { asked: [asked('position', at(7), at(7))] },
    },
  ],
  'fader fights': [
    {
      what: 'a balance that was set first and faded in to',
      mix: lines({ [REED]: line([0, -90], [at(5), -5]) }, withSetting(plain, REED, -5)),
    },
    {
      what: 'a line that rests at the new setting',
      mix: lines(
        { [REED]: line([0, -9], [at(9), -9], [at(10), -15], [at(17), -9]) },
        withSetting(plain, REED, -9),
      ),
    },
  ],
  'ploughed over': [
    {
      what: 'another take',
      mix: lines({ [REED]: line([0, -6], [at(33), -6]) }),
      more: {
        commands: ['hold', 'hold', 'play to stop'].map((how) => ({
          lanes: [REED],
          from: at(3),
          to: at(12),
          how,
        })),
      },
    },
  ],
  'off grid': [
    {
      what: 'a point just before a note that sounds',
      mix: lines({ [REED]: line([0, 0], [at(9) - 24, 0], [at(10), -6]) }),
      more: { heard: heard({ onsets: { pad: [at(9) + 3] } }) },
    },
  ],
  'echo stays': [
    {
      what: 'the return that fades as well',
      mix: lines({ [REED]: out(at(20), at(24)), 'return/hall/level': out(at(20), at(24)) }, pre(plain)),
      from: pre(plain),
    },
    {
      what: 'the send that is switched off',
      mix: lines({ [REED]: out(at(20), at(24)), 'send/to-hall/on': jump(at(24), 1, 0) }, pre(plain)),
      from: pre(plain),
    },
    {
      what: 'a mute, which comes before every send',
      mix: lines({ [REED]: out(at(20), at(24)), [MUTE]: jump(at(24), 0, 1) }, pre(plain)),
      from: pre(plain),
    },
  ],
  late: [
    {
      what: 'a dip long after somebody came in',
      mix: lines({ [REED]: line([at(16), 0], [at(20), -8], [at(24), -8], [at(25), 0]) }),
      more: { heard: heard({ entries: { reed: [0], pad: [at(2)] } }) },
    },
    {
      what: 'a track that is not heard there',
      mix: lines({ [REED]: line([at(8, 4), 0], [at(10), -8], [at(17), -8], [at(18), 0]) }),
      more: {
        heard: heard({
          entries: { reed: [0], pad: [at(9)] },
          tracks: { reed: part(() => -20), pad: part((s) => (s > 40 ? -22 : -200)) },
        }),
      },
    },
  ],
  'too hot': [
    {
      what: 'a peak that the song had before',
      mix: lines({ [REED]: line([at(8), -6], [at(9), -5], [at(12), -5], [at(13), -6]) }),
      more: { heard: heard({ peaks: peakAt(10, 0.5) }), first: heard({ peaks: peakAt(10, 0.4) }) },
    },
  ],
  'wrong tool': [
    {
      what: 'a line that is there because a value was asked for',
      mix: lines({ [REED]: line([0, -9], [at(9), -9]) }),
      more: { asked: [asked('position', at(9), at(9))] },
    },
  ],
}

const MADE: Readonly<Record<string, readonly Case[]>> = {
  'too hot': [
    {
      what: 'by a send',
      mix: lines({ [SEND]: line([at(8), -90], [at(9), 4], [at(12), 4], [at(13), -90]) }),
      more: { heard: heard({ peaks: peakAt(10, 0.8) }), first: heard() },
    },
    {
      what: 'by a setting that was raised',
      mix: withSetting(plain, GAIN, 12),
      more: { heard: heard({ peaks: peakAt(10, 0.8) }), first: heard() },
    },
  ],
  'tail cut': [
    {
      what: 'by muting the return',
      mix: lines({ 'return/hall/mute': jump(at(12), 0, 1) }, withSetting(plain, SEND, -8)),
      from: withSetting(plain, SEND, -8),
    },
  ],
  'wrong tool': [
    { what: 'on a send', mix: lines({ [SEND]: line([0, -12], [at(20), -12]) }) },
    {
      what: 'on a filter',
      mix: lines(
        { 'effect/f/frequency': line([0, 900], [at(20), 900]) },
        addEffect(plain, 'reed', 'filter', 'f'),
      ),
      from: addEffect(plain, 'reed', 'filter', 'f'),
    },
  ],
  'too wet': [
    {
      what: 'by an effect on the track',
      mix: withSetting(addEffect(plain, 'reed', 'reverb', 'r'), 'effect/r/wet', 0.85),
      from: withSetting(addEffect(plain, 'reed', 'reverb', 'r'), 'effect/r/wet', 0.2),
    },
  ],
  late: [
    {
      what: 'by the gain',
      mix: lines({ [GAIN]: line([at(8, 4), 0], [at(9, 3), -8], [at(17), -8], [at(18), 0]) }),
      more: { heard: heard({ entries: { reed: [0], pad: [at(9)] } }) },
    },
  ],
  'never back': [
    {
      what: 'a lift that was asked for',
      mix: lines({ [REED]: line([at(8, 4), -8], [at(9), -3]) }),
      more: { asked: [asked('lift', at(9), at(17))] },
    },
  ],
  'cut off': [{ what: 'by a mute in the middle of a part', mix: lines({ [MUTE]: jump(at(12, 3), 0, 1) }) }],
}

const found = ({ mix, more = {}, from = plain }: Case, kind: string) =>
  mistakesOf(evidenceOf(song, from, mix, { heard: heard(), ...more }), [kind]).map((m) => m.says.key)

const flat = (cases: typeof RIGHT) =>
  Object.entries(cases).flatMap(([kind, list]) => list.map((c) => [kind, c.what, c] as const))

describe('nobody is accused', () => {
  it.each(flat(RIGHT))('of "%s" for %s', (kind, _, c) => {
    expect(found(c, kind)).toEqual([])
  })
})

describe('it is seen', () => {
  it.each(flat(MADE))('that "%s" is made %s', (kind, _, c) => {
    expect(found(c, kind)).toHaveLength(1)
  })
})
