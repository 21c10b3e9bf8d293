import { describe, expect, it } from 'vitest'
import { point } from '../envelope'
import { addEffect, addReturn, addSend, plainMix, withLane, withPoints, withSetting, type Mix } from '../mix'
import { amount, at, laneOf, say, trackOf, valued } from '../saying'
import { smallSong } from '../../test/songs'
import { whyNotHeard, type Listening } from '.'

const song = smallSong()
const plain = plainMix(song)
const sent = addSend(
  addReturn(plain, 'Hall', 'reverb', { back: 'hall', effect: 'hall-fx' }),
  'reed',
  'hall',
  'to-hall',
)
const BAR = 3840
const listening = (more: Partial<Listening> = {}): Listening => ({
  tick: BAR,
  moves: true,
  solo: { tracks: [], returns: [] },
  isOpen: () => true,
  ...more,
})
const why = (mix: Mix, address = 'track/reed/level', more: Partial<Listening> = {}) =>
  whyNotHeard(song, mix, listening(more), address).map((c) => c.says)
const REED = { name: laneOf('track/reed/level') }
const HERE = { at: at(BAR) }

describe('whyNotHeard', () => {
  it('has nothing to say where nothing is in the way', () => {
    expect(why(plain)).toEqual([])
  })

  it('tells mute by hand from mute by a line, and where', () => {
    expect(why(withSetting(plain, 'track/reed/mute', 1))).toEqual([say('unheard.muted', REED)])
    const line = withPoints(
      plain,
      'track/reed/mute',
      [point(0, 0, 'jump'), point(BAR, 1, 'jump'), point(2 * BAR, 0, 'jump')],
      () => 'm',
    )
    expect(why(line)).toEqual([say('unheard.muted-by-line', { ...REED, ...HERE })])
    expect(why(line, 'track/reed/level', { tick: 0 })).toEqual([])
  })

  it('knows the other one’s solo, and a return’s', () => {
    expect(why(plain, 'track/reed/level', { solo: { tracks: ['pad'], returns: [] } })).toEqual([
      say('unheard.solo', { names: { lanes: ['track/pad/level'] } }),
    ])
    expect(why(sent, 'track/reed/level', { solo: { tracks: [], returns: ['hall'] } })).toEqual([])
    expect(why(sent, 'track/pad/level', { solo: { tracks: [], returns: ['hall'] } })[0]).toEqual(
      say('unheard.solo', { names: { lanes: ['return/hall/level'] } }),
    )
  })

  it('finds out whether anything is recorded here', () => {
    const later: Mix = {
      ...plain,
      tracks: plain.tracks.map((t) => ({
        ...t,
        regions: t.regions.map((r) => ({ ...r, start: 2 * BAR, length: 44_100 })),
      })),
    }
    expect(why(later)).toEqual([say('unheard.not-yet', { name: trackOf('reed'), at: at(2 * BAR) })])
    expect(why(later, 'track/reed/level', { tick: 3.8 * BAR })[0]).toEqual(
      say('unheard.over', { name: trackOf('reed'), at: at(2 * BAR) }),
    )
    const soft: Mix = {
      ...plain,
      tracks: plain.tracks.map((t) => ({ ...t, regions: t.regions.map((r) => ({ ...r, level: -70 })) })),
    }
    expect(why(soft)).toEqual([say('unheard.region', { name: trackOf('reed'), level: amount(-70, 'dB') })])
  })

  it('tells a fader from a line at silence', () => {
    expect(why(withSetting(plain, 'track/reed/level', -90))).toEqual([
      say('unheard.level', { ...REED, value: valued('track/reed/level', -90) }),
    ])
    expect(why(withPoints(plain, 'track/reed/level', [point(0, -90)], () => 'l'))[0]).toEqual(
      say('unheard.level-line', { ...REED, value: valued('track/reed/level', -90), ...HERE }),
    )
    expect(why(withSetting(plain, 'main/level', -90))).toEqual([
      say('unheard.level', { name: laneOf('main/level'), value: valued('main/level', -90) }),
    ])
  })

  it('follows a send to its return', () => {
    const open = withSetting(sent, 'send/to-hall/level', -6)
    expect(why(sent, 'send/to-hall/level')).toContainEqual(
      say('unheard.send-level', {
        name: laneOf('send/to-hall/level'),
        value: valued('send/to-hall/level', -90),
      }),
    )
    expect(why(open, 'send/to-hall/level')).toEqual([])
    expect(why(withSetting(open, 'send/to-hall/on', 0), 'send/to-hall/level')[0]).toEqual(
      say('unheard.send-off'),
    )
    expect(why(withSetting(open, 'return/hall/mute', 1), 'send/to-hall/level')).toContainEqual(
      say('unheard.muted', { name: laneOf('return/hall/level') }),
    )
    expect(why(sent, 'return/hall/level')).toContainEqual(
      say('unheard.unfed', { name: laneOf('return/hall/level'), ...HERE }),
    )
  })

  it('looks into effects', () => {
    const mix = addEffect(plain, 'reed', 'filter', 'f')
    expect(why(mix, 'effect/f/frequency')).toEqual([
      say('unheard.neutral', { name: laneOf('effect/f/frequency') }),
    ])
    expect(
      why(
        withSetting(withSetting(mix, 'effect/f/frequency', 500), 'effect/f/bypass', 1),
        'effect/f/frequency',
      ),
    ).toEqual([say('unheard.bypassed')])
    expect(why(withSetting(mix, 'effect/f/wet', 0), 'effect/f/frequency')[0]).toEqual(say('unheard.dry'))
  })

  it('says why moving a control changes nothing', () => {
    const line = withPoints(plain, 'track/reed/level', [point(0, -3)], () => 'l')
    expect(why(line)).toEqual([say('unheard.line')])
    expect(why(line, 'track/reed/level', { moves: false })).toEqual([say('unheard.moves-off')])
    expect(why(withLane(line, 'track/reed/level', { on: false }))).toEqual([say('unheard.line-off')])
    expect(why(plain, 'track/reed/level', { isOpen: () => false })).toEqual([say('unheard.locked')])
  })

  it('puts the worst first, with a way to each', () => {
    const mix = withSetting(withSetting(plain, 'track/reed/mute', 1), 'track/reed/level', -90)
    const causes = whyNotHeard(
      song,
      mix,
      listening({ solo: { tracks: ['pad'], returns: [] } }),
      'track/reed/level',
    )
    expect(causes.map((c) => c.remedy)).toEqual([
      { kind: 'control', address: 'track/reed/mute' },
      { kind: 'solo' },
      { kind: 'control', address: 'track/reed/level' },
    ])
  })
})
