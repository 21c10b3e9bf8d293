import { describe, expect, it } from 'vitest'
import { barTick } from '../../test/drawn/moves'
import { song, start } from '../../test/drawn/mistakes'
import { emptyPart, type Heard, type Part } from '../heard'
import { makeCrossing, point, type Points } from '../envelope'
import { withPoints, withSetting, type Mix } from '../mix'
import { CHECK_KINDS, checkProblem, judge, kindOf, startValues, type Values } from '.'
import { evidenceOf, type Verdict } from '../evidence'

const REED = 'track/reed/level'
const at = barTick
const BAR = 3840

const lines = (all: Readonly<Record<string, Points>>, mix: Mix = start) =>
  Object.entries(all).reduce((m, [lane, points], i) => withPoints(m, lane, points, () => `l${i}`), mix)

const part = (level: (second: number) => number): Part => {
  const hops = 640
  const side = new Float64Array(hops).map((_, i) => 10 ** ((level(i / 10) + 0.691) / 10) / 2)
  return { ...emptyPart(hops), left: side, right: side.slice() }
}

const heard = (more: Partial<Heard> = {}): Heard => ({
  hops: 640,
  mix: part(() => -16),
  still: part(() => -16),
  peaks: new Float64Array(640).fill(-6),
  tracks: { reed: part(() => -20), pad: part(() => -22) },
  shares: {},
  entries: {},
  ...more,
})

interface Case {
  readonly kind: string
  readonly values: Values
  /** Mixes, or what is heard, with the verdict that they deserve and the key of what is said. */
  readonly give: readonly (readonly [verdict: Verdict, key: string, mix: Mix, heard?: Heard])[]
}

const fade = (from: number, to: number, a: number, b: number) =>
  lines({ [REED]: [point(0, a), point(from, a), point(to, b)] })
const dip = (depth: number, arrives = at(9), leaves = at(17)) =>
  lines({
    [REED]: [
      point(0, -3),
      point(arrives - 960, -3),
      point(arrives, -3 - depth),
      point(leaves, -3 - depth),
      point(leaves + 960, -3),
    ],
  })
const loudFrom = (second: number, lu: number) =>
  heard({ tracks: { reed: part((s) => (s >= second ? -20 + lu : -20)), pad: part(() => -22) } })

/** Equal power from bar 9 to bar 13. */
const CROSSED = makeCrossing([point(0, 0)], [point(0, 0)], { from: at(9), to: at(13) })

const CASES: readonly Case[] = [
  {
    kind: 'fade in',
    values: { lane: REED, from: 0, to: at(5), beats: 1, even: 18 },
    give: [
      ['met', 'fade-in.met', lines({ [REED]: [point(0, -90), point(at(5), -6)] })],
      ['close', 'fade-in.ends', lines({ [REED]: [point(0, -90), point(at(5, 3), -6)] })],
      ['not yet', 'fade-in.not-silent', lines({ [REED]: [point(0, -50), point(at(5), -6)] })],
      ['not yet', 'fade-in.still', start],
      ['not yet', 'fade-in.cut', lines({ [REED]: [point(0, -90, 'jump'), point(at(3), -6)] })],
    ],
  },
  {
    kind: 'fade out',
    values: { lane: REED, from: at(29), to: at(33), beats: 1, even: 18 },
    give: [
      ['met', 'fade-out.met', fade(at(29), at(33), -3, -90)],
      ['not yet', 'fade-out.not-silent', fade(at(29), at(33), -3, -38)],
      ['not yet', 'fade-out.starts', fade(at(25), at(33), -3, -90)],
      [
        'close',
        'fade-out.uneven-late',
        lines({ [REED]: [point(0, -3), point(at(29), -3, 'curve', 3), point(at(33), -90)] }),
      ],
    ],
  },
  {
    kind: 'dip',
    values: { lane: REED, from: at(9), to: at(17), depth: 7, tolerance: 2, beats: 1 },
    give: [
      ['met', 'dip.met', dip(7)],
      ['close', 'dip.little', dip(3.5)],
      ['close', 'dip.there', dip(7, at(9, 3))],
      ['not yet', 'dip.stays', lines({ [REED]: [point(at(8), -3), point(at(9), -10)] })],
      ['not yet', 'dip.still', start],
    ],
  },
  {
    kind: 'lift',
    values: { lane: REED, from: at(9), to: at(17), depth: 4, tolerance: 1, beats: 1 },
    give: [
      ['met', 'lift.met', dip(-4)],
      ['not yet', 'lift.much', dip(-8.5)],
    ],
  },
  {
    kind: 'build',
    values: { from: at(5), to: at(9), by: 'loudness', least: 4, steady: 70 },
    give: [
      [
        'met',
        'build.met',
        start,
        heard({ mix: part((s) => -22 + Math.min(6, Math.max(0, s - 8))), still: part(() => -22) }),
      ],
      ['not yet', 'build.flat', start, heard()],
      [
        'not yet',
        'build.falls',
        lines({ [REED]: [point(at(5), -8), point(at(9), 0, 'jump'), point(at(9) + 1, -8)] }),
        heard({ mix: part((s) => (s >= 16 ? -30 : -22 + Math.max(0, s - 8))), still: part(() => -22) }),
      ],
      [
        'met',
        'build.met',
        // the song itself gets softer: nobody’s lines did that
        lines({ [REED]: [point(at(5), -8), point(at(9), 0)] }),
        heard({ mix: part((s) => (s >= 16 ? -30 : -22 + Math.max(0, s - 8))), still: part(() => -22) }),
      ],
      ['not yet', 'unheard', start],
    ],
  },
  {
    kind: 'drop',
    values: { lane: REED, from: at(9), depth: 6, beats: 0.5 },
    give: [
      ['met', 'drop.met', lines({ [REED]: [point(0, 0), point(at(9), 0), point(at(9) + 240, -12)] })],
      ['not yet', 'drop.none', start],
    ],
  },
  {
    kind: 'jump',
    values: { lane: 'track/reed/mute', from: at(9), way: 'up', beats: 0.25 },
    give: [
      ['met', 'jump.met-up', lines({ 'track/reed/mute': [point(0, 0, 'jump'), point(at(9), 1, 'jump')] })],
      ['not yet', 'jump.none-up', start],
    ],
  },
  {
    kind: 'throw',
    values: { lane: 'send/to-hall/level', from: at(8, 3), to: at(9), least: -12, beats: 1 },
    give: [
      [
        'met',
        'throw.met',
        lines({
          'send/to-hall/level': [point(0, -90, 'jump'), point(at(8, 3), -6, 'jump'), point(at(9), -90)],
        }),
      ],
      [
        'not yet',
        'throw.open',
        lines({ 'send/to-hall/level': [point(0, -90), point(at(8, 2), -90), point(at(8, 3), -6)] }),
      ],
      [
        'close',
        'throw.little',
        lines({
          'send/to-hall/level': [point(0, -90, 'jump'), point(at(8, 3), -16, 'jump'), point(at(9), -90)],
        }),
      ],
      ['not yet', 'throw.none', start],
    ],
  },
  {
    kind: 'sweep',
    values: { lane: 'track/reed/pan', from: at(5), to: at(9), way: 'up', least: 40, beats: 2 },
    give: [
      ['met', 'sweep.met', lines({ 'track/reed/pan': [point(at(5), -0.8), point(at(9), 0.8)] })],
      ['not yet', 'sweep.other', lines({ 'track/reed/pan': [point(at(5), 0.8), point(at(9), -0.8)] })],
      ['not yet', 'sweep.still', start],
    ],
  },
  {
    kind: 'crossing',
    values: { leaves: 'reed', comes: 'pad', from: at(9), to: at(13), hole: 15 },
    give: [
      [
        'met',
        'crossing.met',
        lines({
          [REED]: [point(0, 0), point(at(9), 0), point(at(13), -90)],
          'track/pad/level': [point(at(9), -90), point(at(13), 0)],
        }),
      ],
      ['not yet', 'crossing.comes', fade(at(9), at(13), 0, -90)],
    ],
  },
  {
    kind: 'crossing',
    values: { leaves: 'reed', comes: 'pad', from: at(9), to: at(13), hole: 4 },
    give: [
      ['met', 'crossing.met', lines({ [REED]: CROSSED.leaves, 'track/pad/level': CROSSED.comes })],
      // straight in travel, both are down by 14 dB in the middle: together by 11
      [
        'not yet',
        'crossing.hole',
        lines({
          [REED]: [point(0, 0), point(at(9), 0), point(at(13), -90)],
          'track/pad/level': [point(at(9), -90), point(at(13), 0)],
        }),
      ],
    ],
  },
  {
    kind: 'position',
    values: { lane: 'track/reed/pan', from: at(9), value: -50, tolerance: 10 },
    give: [
      ['met', 'position.met', withSetting(start, 'track/reed/pan', -0.5)],
      ['not yet', 'position.elsewhere', start],
    ],
  },
  {
    kind: 'returns',
    values: { lane: REED, from: at(3), to: at(20), tolerance: 3 },
    give: [
      ['met', 'returns.met', dip(7)],
      ['not yet', 'returns.off', fade(at(8), at(9), -3, -10)],
    ],
  },
  {
    kind: 'silence',
    values: { track: 'reed', from: at(33) - 100, level: -90 },
    give: [
      ['met', 'silence.met', fade(at(29), at(32), -3, -90)],
      ['not yet', 'silence.still', start],
    ],
  },
  {
    kind: 'lead over rest',
    values: { track: 'reed', from: at(1), to: at(9), low: 0, high: 4 },
    give: [
      ['met', 'over-rest.met-over', start, heard()],
      [
        'not yet',
        'over-rest.soft-under',
        start,
        heard({ tracks: { reed: part(() => -30), pad: part(() => -20) } }),
      ],
      [
        'not yet',
        'over-rest.loud-over',
        start,
        heard({ tracks: { reed: part(() => -10), pad: part(() => -30) } }),
      ],
      ['not yet', 'balance.silent', start, heard({ tracks: { reed: emptyPart(640), pad: part(() => -20) } })],
    ],
  },
  {
    kind: 'in the mix',
    values: { track: 'reed', from: at(1), to: at(9), low: -8, high: -2 },
    give: [['met', 'in-mix.met-under', start, heard()]],
  },
  {
    kind: 'left against right',
    values: { from: at(1), to: at(9), tolerance: 2 },
    give: [
      ['met', 'sides.met', start, heard()],
      ['not yet', 'sides.leans', start, heard({ mix: { ...part(() => -16), right: part(() => -22).right } })],
    ],
  },
  {
    kind: 'evenness',
    values: { track: 'reed', from: at(1), to: at(17), phrase: 2, against: 'itself', most: 3 },
    give: [
      ['met', 'evenness.met', start, heard()],
      ['not yet', 'evenness.uneven', start, loudFrom(16, 8)],
    ],
  },
  {
    kind: 'loudness',
    values: { from: at(1), to: at(9), value: -16, tolerance: 1 },
    give: [
      ['met', 'loudness.met', start, heard()],
      ['not yet', 'loudness.silent', start, heard({ mix: emptyPart(640) })],
    ],
  },
  {
    kind: 'true peak',
    values: { from: 0, to: at(33), most: -1 },
    give: [
      ['met', 'true-peak.met', start, heard()],
      [
        'not yet',
        'true-peak.clips',
        start,
        heard({ peaks: new Float64Array(640).map((_, i) => (i === 300 ? 2 : -6)) }),
      ],
    ],
  },
  {
    kind: 'tail kept',
    values: { track: 'reed', from: at(9), to: at(17) },
    give: [
      [
        'met',
        'tail-kept.met',
        lines({ 'send/to-hall/level': [point(0, -6), point(at(9), -6), point(at(9) + 240, -90)] }),
      ],
      [
        'not yet',
        'tail-kept.cut',
        lines(
          { 'return/hall/level': [point(0, 0), point(at(10), 0), point(at(10, 3), -90)] },
          withSetting(start, 'send/to-hall/level', -6),
        ),
      ],
    ],
  },
  {
    kind: 'only lanes',
    values: { lanes: [REED] },
    give: [
      ['met', 'only-lanes.met', dip(7)],
      ['not yet', 'only-lanes.more', lines({ 'track/pad/pan': [point(0, 0.5)] })],
    ],
  },
  {
    kind: 'few points',
    values: { lane: REED, most: 4 },
    give: [
      ['close', 'few-points.many', dip(7)],
      ['not yet', 'few-points.none', start],
    ],
  },
  {
    kind: 'form',
    values: { lane: REED, from: at(29), to: at(33), form: 'even' },
    give: [
      ['met', 'form.met', fade(at(29), at(33), -3, -90)],
      ['not yet', 'form.none', start],
    ],
  },
  { kind: 'by pass', values: { lane: REED, way: 'hold' }, give: [['not yet', 'by-pass.drawn', dip(7)]] },
  {
    kind: 'no mistake',
    values: { mistake: 'drift' },
    give: [
      ['met', 'no-mistake.met', dip(7)],
      ['not yet', 'mistake.drift.says', lines({ [REED]: [point(0, -3), point(at(32), -14)] })],
    ],
  },
]

describe.each(CASES.map((c) => [c.kind, c] as const))('the check "%s"', (kind, { values, give }) => {
  it('can be used as it is set here', () => {
    expect(checkProblem({ id: 'c', kind, values }, song, start)).toBeNull()
  })

  it('says what it found, in a sentence with its verdict', () => {
    for (const [verdict, key, mix, sound] of give) {
      const found = judge(evidenceOf(song, start, mix, { heard: sound ?? null }), { id: 'c', kind, values })
      expect([found.verdict, found.says.key.replace(/^check\./, '')]).toEqual([verdict, key])
      expect(found.place.to).toBeGreaterThanOrEqual(found.place.from)
    }
  })
})

it('has a case for every kind of check', () => {
  expect([...new Set(CASES.map((c) => c.kind))].sort()).toEqual(CHECK_KINDS.map((k) => k.kind).sort())
})

describe('a check', () => {
  it('of every kind begins with values that fit the song, and judges the starting mix without a fault', () => {
    for (const kind of CHECK_KINDS) {
      const setup = {
        song,
        mix: start,
        lane: kind.kind === 'throw' ? 'send/to-hall/level' : REED,
        from: at(5),
        to: at(9),
      }
      const values = startValues(kind, setup)
      expect(checkProblem({ id: 'c', kind: kind.kind, values }, song, start), kind.kind).toBeNull()
      for (const sound of [null, heard()])
        expect(
          judge(evidenceOf(song, start, start, { heard: sound }), { id: 'c', kind: kind.kind, values }).says
            .key,
        ).toMatch(/^(check|mistake)\./)
    }
  })

  it('that a pass must have written is met by that pass alone', () => {
    const by = (how: string) =>
      judge(evidenceOf(song, start, dip(7), { commands: [{ lanes: [REED], from: 0, to: BAR, how }] }), {
        id: 'c',
        kind: 'by pass',
        values: { lane: REED, way: 'hold' },
      }).verdict
    expect([by('hold'), by('move'), by('hand')]).toEqual(['met', 'close', 'not yet'])
  })

  it.each([
    ['a lane that is not there', 'dip', { lane: 'track/none/level' }, /no such lane/],
    ['a place outside the song', 'fade in', { to: at(40) }, /outside the song/],
    ['a number out of range', 'dip', { depth: 900 }, /between 0.5 and 60/],
    ['a tolerance that lets nothing count', 'dip', { depth: 2, tolerance: 3 }, /doing nothing would pass/],
    ['an end before its beginning', 'dip', { from: at(9), to: at(5) }, /come back after/],
    [
      'a band that is upside down',
      'lead over rest',
      { low: 5, high: 1 },
      /smallest value is above the largest/,
    ],
    ['a track that crosses itself', 'crossing', { comes: 'reed', leaves: 'reed' }, /different tracks/],
    ['a choice that there is not', 'jump', { way: 'sideways' }, /not one of the choices/],
    ['something it does not know', 'dip', { colour: 'red' }, /has no value called “colour”/],
  ])('with %s is refused with a sentence', (_, kind, change, problem) => {
    const setup = { song, mix: start, lane: REED, from: at(5), to: at(9) }
    const values = { ...startValues(kindOf(kind), setup), ...change } as Values
    expect(checkProblem({ id: 'c', kind, values }, song, start)).toMatch(problem)
  })

  it('of an unknown kind is refused', () => {
    expect(checkProblem({ id: 'c', kind: 'magic', values: {} }, song, start)).toMatch(
      /no check called “magic”/,
    )
  })
})
