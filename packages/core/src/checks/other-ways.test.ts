/** The same sound reached in another way counts, and is said; unless the teacher does not want it, or the check is about the way. */
import { describe, expect, it } from 'vitest'
import { barTick as at } from '../../test/drawn/moves'
import { song, start } from '../../test/drawn/mistakes'
import { point, type Points } from '../envelope'
import { evidenceOf } from '../evidence'
import { withPoints, withSetting, type Mix } from '../mix'
import { judge, kindOf, startValues, type Values } from '.'

const REED = 'track/reed/level'
const PAD = 'track/pad/level'
const SEND = 'send/to-hall/level'
const lines = (all: Readonly<Record<string, Points>>, mix: Mix = start) =>
  Object.entries(all).reduce((m, [lane, points], i) => withPoints(m, lane, points, () => `l${i}`), mix)
const line = (...points: readonly (readonly [tick: number, value: number])[]) =>
  points.map(([t, v]) => point(t, v))
const jumps = (...points: readonly (readonly [tick: number, value: number])[]) =>
  points.map(([t, v]) => point(t, v, 'jump'))
/** A reed whose region fades, or ends. */
const region = (change: {
  readonly fadeIn?: number
  readonly fadeOut?: number
  readonly length?: number
  readonly level?: number
}): Mix => ({
  ...start,
  tracks: start.tracks.map((t) =>
    t.id === 'reed' ? { ...t, regions: t.regions.map((r) => ({ ...r, ...change })) } : t,
  ),
})
const BAR = 2 * 44_100
const dip = { lane: REED, from: at(9), to: at(17), depth: 6, tolerance: 2, beats: 1 }
const dipped = (rest: number) =>
  line([0, rest], [at(8, 4), rest], [at(9), rest - 6], [at(17), rest - 6], [at(17, 3), rest])

const verdict = (kind: string, values: Values, mix: Mix, otherWays = true) => {
  const setup = { song, mix: start, lane: REED, from: at(5), to: at(9) }
  return judge(
    evidenceOf(song, start, mix),
    { id: 'c', kind, values: { ...startValues(kindOf(kind), setup), ...values } },
    otherWays,
  )
}

const FADE_OUT = { lane: REED, from: at(29), to: at(33), beats: 1 }
const CASES: readonly (readonly [what: string, kind: string, values: Values, mix: Mix, by: string])[] = [
  ['a dip by the pre-fader gain', 'dip', dip, lines({ 'track/reed/gain': dipped(0) }), 'gain'],
  [
    'a dip by gain and volume together',
    'dip',
    dip,
    lines({
      'track/reed/gain': line([0, 0], [at(8, 4), 0], [at(9), -3], [at(17), -3], [at(17, 3), 0]),
      [REED]: line([0, 0], [at(8, 4), 0], [at(9), -3], [at(17), -3], [at(17, 3), 0]),
    }),
    'gain',
  ],
  ['a dip by the main volume', 'dip', dip, lines({ 'main/level': dipped(0) }), 'main'],
  [
    'room by raising the lead',
    'dip',
    { ...dip, lane: PAD },
    lines({ [REED]: line([0, -6], [at(8, 4), -6], [at(9), 0], [at(17), 0], [at(17, 3), -6]) }),
    'reed',
  ],
  [
    'a fade out by the main volume',
    'fade out',
    FADE_OUT,
    lines({ 'main/level': line([0, 0], [at(29), 0], [at(33), -90]) }),
    'main',
  ],
  [
    'a fade out of the region',
    'fade out',
    { ...FADE_OUT, even: 30 },
    region({ fadeOut: 4 * BAR }),
    'regions',
  ],
  [
    'a fade in of the region',
    'fade in',
    { lane: REED, from: at(1), to: at(5), beats: 1, even: 30 },
    region({ fadeIn: 4 * BAR }),
    'regions',
  ],
  [
    'silence by a mute',
    'silence',
    { track: 'reed', from: at(17) },
    lines({ 'track/reed/mute': jumps([0, 0], [at(16), 1]) }),
    '',
  ],
  [
    'silence by a region that ends',
    'silence',
    { track: 'reed', from: at(17) },
    region({ length: 15 * BAR }),
    'regions',
  ],
  [
    'a throw by the wet',
    'throw',
    { lane: SEND, from: at(9), to: at(10), least: -12, beats: 1 },
    lines(
      { 'effect/hall-reverb/wet': jumps([0, 0], [at(9), 0.7], [at(10), 0]) },
      withSetting(start, SEND, -4),
    ),
    'wet',
  ],
  [
    'a throw by opening the return',
    'throw',
    { lane: SEND, from: at(9), to: at(10), least: -12, beats: 1 },
    lines({ 'return/hall/level': jumps([0, -90], [at(9), 0], [at(10), -90]) }, withSetting(start, SEND, -4)),
    'return',
  ],
  [
    'a throw by the switch of the send',
    'throw',
    { lane: SEND, from: at(9), to: at(10), least: -12, beats: 1 },
    lines({ 'send/to-hall/on': jumps([0, 0], [at(9), 1], [at(10), 0]) }, withSetting(start, SEND, -4)),
    'on',
  ],
  [
    'a drop by a mute',
    'drop',
    { lane: REED, from: at(17), depth: 20, beats: 0.5 },
    lines({ 'track/reed/mute': jumps([0, 0], [at(17), 1]) }),
    'mute',
  ],
  [
    'tracks that cross by their gains and volumes',
    'crossing',
    { leaves: 'reed', comes: 'pad', from: at(9), to: at(13), hole: 15 },
    lines({
      'main/level': line([0, -3], [at(33), -3.1]),
      [REED]: line([at(9), 0], [at(13), -90]),
      [PAD]: line([at(9), -90], [at(13), 0]),
    }),
    '',
  ],
]

describe('another way', () => {
  it.each(CASES)('counts: %s', (_, kind, values, mix, by) => {
    const finding = verdict(kind, values, mix)
    expect([finding.verdict, finding.says.key]).toEqual(['met', `check.${kind.replace(' ', '-')}.met`])
    if (by) expect(JSON.stringify(finding.way)).toContain(by)
  })

  it('does not count where the teacher does not want it, and nearly the same is not the same', () => {
    const gain = lines({ 'track/reed/gain': dipped(0) })
    expect(verdict('dip', dip, gain, false).verdict).toBe('not yet')
    const little = lines({
      'track/reed/gain': line([0, 0], [at(8, 4), 0], [at(9), -2], [at(17), -2], [at(17, 3), 0]),
    })
    expect(verdict('dip', dip, little).verdict).not.toBe('met')
    // a lead that comes forward much later makes no room
    const late = lines({ [REED]: line([0, -6], [at(11), -6], [at(12), 0], [at(17), 0], [at(17, 3), -6]) })
    expect(verdict('dip', { ...dip, lane: PAD }, late).verdict).not.toBe('met')
    // a send that was shut lets nothing through, however wet
    const dry = lines({ 'effect/hall-reverb/wet': jumps([0, 0], [at(9), 0.7], [at(10), 0]) })
    expect(verdict('throw', { lane: SEND, from: at(9), to: at(10), least: -12, beats: 1 }, dry).verdict).toBe(
      'not yet',
    )
  })

  it('takes back what was done: a dip under a gain that rises as much, a fade in of a track that stays muted', () => {
    const raised = line([0, 0], [at(8, 4), 0], [at(9), 6], [at(17), 6], [at(17, 3), 0])
    const undone = verdict('dip', dip, lines({ [REED]: dipped(0), 'track/reed/gain': raised }))
    expect([undone.verdict, undone.says.key]).toEqual(['not yet', 'check.taken-back'])
    expect(JSON.stringify(undone.says.parts)).toContain('track/reed/gain')
    const fadeIn = { lane: REED, from: at(1), to: at(5), beats: 1 }
    const fades = lines({ [REED]: line([0, -90], [at(5), 0]) })
    expect(verdict('fade in', fadeIn, fades).verdict).toBe('met')
    expect(verdict('fade in', fadeIn, withSetting(fades, 'track/reed/mute', 1)).verdict).toBe('not yet')
    // what the main output does is another's task
    expect(
      verdict(
        'dip',
        dip,
        lines({ [REED]: dipped(0), 'main/level': line([0, 0], [at(29), 0], [at(33), -90]) }),
      ).verdict,
    ).toBe('met')
    // a mute where nothing was asked takes nothing back
    const tidy = lines({ [REED]: dipped(0), 'track/reed/mute': jumps([0, 0], [at(25), 1], [at(29), 0]) })
    expect(verdict('dip', dip, tidy).verdict).toBe('met')
  })

  it('is no answer to a check that is about the way', () => {
    const gain = lines({ 'track/reed/gain': dipped(0) })
    expect(verdict('only lanes', { lanes: [REED] }, gain).verdict).toBe('not yet')
    expect(verdict('by pass', { lane: REED, way: 'any' }, gain).verdict).toBe('not yet')
  })
})
