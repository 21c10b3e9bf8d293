import { describe, expect, it } from 'vitest'
import { point } from '../envelope'
import { addEffect, addReturn, addSend, plainMix, withLane, withPoints, withSetting, type Mix } from '../mix'
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
  whyNotHeard(song, mix, listening(more), address).map((c) => c.sentence)

describe('whyNotHeard', () => {
  it('has nothing to say where nothing is in the way', () => {
    expect(why(plain)).toEqual([])
  })

  it('tells mute by hand from mute by a line, and where', () => {
    expect(why(withSetting(plain, 'track/reed/mute', 1))).toEqual(['Reed is muted.'])
    const line = withPoints(
      plain,
      'track/reed/mute',
      [point(0, 0, 'jump'), point(BAR, 1, 'jump'), point(2 * BAR, 0, 'jump')],
      () => 'm',
    )
    expect(why(line)).toEqual(['Reed is muted by its line at bar 2.'])
    expect(why(line, 'track/reed/level', { tick: 0 })).toEqual([])
  })

  it('knows the other one’s solo, and a return’s', () => {
    expect(why(plain, 'track/reed/level', { solo: { tracks: ['pad'], returns: [] } })).toEqual([
      'Only Pad can be heard: solo is on.',
    ])
    expect(why(sent, 'track/reed/level', { solo: { tracks: [], returns: ['hall'] } })).toEqual([])
    expect(why(sent, 'track/pad/level', { solo: { tracks: [], returns: ['hall'] } })[0]).toMatch(/Only Hall/)
  })

  it('finds out whether anything is recorded here', () => {
    const later: Mix = {
      ...plain,
      tracks: plain.tracks.map((t) => ({
        ...t,
        regions: t.regions.map((r) => ({ ...r, start: 2 * BAR, length: 44_100 })),
      })),
    }
    expect(why(later)).toEqual(['Reed plays nothing here; it comes in at bar 3.'])
    expect(why(later, 'track/reed/level', { tick: 3.8 * BAR })[0]).toMatch(/last note; it starts at bar 3/)
    const soft: Mix = {
      ...plain,
      tracks: plain.tracks.map((t) => ({ ...t, regions: t.regions.map((r) => ({ ...r, level: -70 })) })),
    }
    expect(why(soft)).toEqual(['The region of Reed here is turned down to −70.0 dB.'])
  })

  it('tells a fader from a line at silence', () => {
    expect(why(withSetting(plain, 'track/reed/level', -90))).toEqual(['The fader of Reed is at silence.'])
    expect(why(withPoints(plain, 'track/reed/level', [point(0, -90)], () => 'l'))[0]).toBe(
      'Its line has Reed at silence at bar 2.',
    )
    expect(why(withSetting(plain, 'main/level', -90))).toEqual(['The fader of Main output is at silence.'])
  })

  it('follows a send to its return', () => {
    const open = withSetting(sent, 'send/to-hall/level', -6)
    expect(why(sent, 'send/to-hall/level')).toContain('The send is at silence.')
    expect(why(open, 'send/to-hall/level')).toEqual([])
    expect(why(withSetting(open, 'send/to-hall/on', 0), 'send/to-hall/level')[0]).toBe(
      'This send is switched off.',
    )
    expect(why(withSetting(open, 'return/hall/mute', 1), 'send/to-hall/level')).toContain('Hall is muted.')
    expect(why(sent, 'return/hall/level')).toContain('Nothing is sent to Hall at bar 2.')
  })

  it('looks into effects', () => {
    const mix = addEffect(plain, 'reed', 'filter', 'f')
    expect(why(mix, 'effect/f/frequency')).toEqual(['Frequency is at the value where it does nothing.'])
    expect(
      why(
        withSetting(withSetting(mix, 'effect/f/frequency', 500), 'effect/f/bypass', 1),
        'effect/f/frequency',
      ),
    ).toEqual(['The effect is bypassed: the sound goes past it.'])
    expect(why(withSetting(mix, 'effect/f/wet', 0), 'effect/f/frequency')[0]).toMatch(/Wet is at 0 %/)
  })

  it('says why moving a control changes nothing', () => {
    const line = withPoints(plain, 'track/reed/level', [point(0, -3)], () => 'l')
    expect(why(line)).toEqual(['A line is in charge of it: moving the control itself changes nothing.'])
    expect(why(line, 'track/reed/level', { moves: false })).toEqual([
      'Moves are off: its line does nothing now.',
    ])
    expect(why(withLane(line, 'track/reed/level', { on: false }))).toEqual(['Its line is switched off.'])
    expect(why(plain, 'track/reed/level', { isOpen: () => false })).toEqual([
      'Its lane is locked in this assignment.',
    ])
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
