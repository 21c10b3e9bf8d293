import { describe, expect, it } from 'vitest'
import { audioFor, smallSong, withLine } from '../../test/songs'
import { compileMix, render } from '../engine'
import { integratedLoudness, measureLoudness } from '../loudness'
import { point } from '../envelope'
import { addReturn, addSend, plainMix, withSetting } from '../mix'
import { SAMPLE_RATE } from '../time'
import {
  brightness,
  energies,
  entriesOf,
  hear,
  leftOverRight,
  loudnessIn,
  over,
  RecentParts,
  together,
} from '.'

const song = smallSong(8)
const tone = (hz: number, level: number) => (n: number) =>
  Math.round(level * Math.sin((2 * Math.PI * hz * n) / SAMPLE_RATE))
const reed = tone(440, 6000)
const pad = tone(1000, 3000)
/** The pad comes in after four seconds. */
const audio = audioFor(song, reed, (n) => (n < 4 * SAMPLE_RATE ? 0 : pad(n)))
const mix = addSend(
  addReturn(plainMix(song), 'Hall', 'reverb', { back: 'hall', effect: 'fx' }),
  'reed',
  'hall',
  's',
)
const wet = withSetting(mix, 'send/s/level', 0)
const whole = { from: 0, to: 8 }

describe('what is heard of a mix', () => {
  const heard = hear(song, withSetting(mix, 'send/s/level', -6), audio)!

  it('is as loud as its render', () => {
    const sound = render(compileMix(song, withSetting(mix, 'send/s/level', -6)), audio)!
    const measured = measureLoudness(SAMPLE_RATE, [sound.left, sound.right])
    expect(integratedLoudness(energies(heard.mix))).toBeCloseTo(measured.integrated!, 6)
    expect(Math.max(...heard.peaks)).toBeCloseTo(measured.truePeak, 6)
  })

  it('is the sum of its parts, within a tenth of an LU', () => {
    const sum = together(Object.values(heard.tracks), heard.hops)
    expect(loudnessIn(sum, whole)).toBeCloseTo(loudnessIn(energies(heard.mix), whole), 1)
  })

  it('has a share of the return for what sends, and none for what does not', () => {
    expect(Object.keys(heard.shares)).toEqual(['reed'])
    expect(loudnessIn(energies(heard.shares['reed']!), whole)).toBeLessThan(
      loudnessIn(energies(heard.tracks['reed']!), whole),
    )
  })

  it('has a share of whichever return a track sends to, alone there or with others', () => {
    const two = addReturn(mix, 'Echo', 'delay', { back: 'echo', effect: 'd' })
    const lone = addSend(two, 'pad', 'echo', 'p')
    const both = addSend(lone, 'reed', 'echo', 'r')
    const levels = (m: typeof mix) =>
      hear(song, withSetting(withSetting(m, 'send/p/level', -6), 'track/reed/level', -90), audio)!
    const [alone, shared] = [levels(lone), levels(both)]
    const late = { from: 5, to: 8 }
    expect(loudnessIn(energies(alone.shares['pad']!), late)).toBeGreaterThan(-60)
    // the other track is silent: what it shares the return with makes no difference
    expect(loudnessIn(energies(shared.shares['pad']!), late)).toBeCloseTo(
      loudnessIn(energies(alone.shares['pad']!), late),
      6,
    )
    expect(loudnessIn(energies(shared.shares['reed']!), late)).toBe(-Infinity)
  })

  it('knows who is over whom, only where it sounds', () => {
    const padOver = over(heard.tracks['pad']!, energies(heard.tracks['reed']!), whole)!
    const late = over(heard.tracks['pad']!, energies(heard.tracks['reed']!), { from: 5, to: 8 })!
    expect(padOver).toBeCloseTo(late, 0)
    expect(over(heard.tracks['pad']!, energies(heard.tracks['reed']!), { from: 0, to: 3 })).toBeNull()
  })

  it('knows which side it leans to, and how bright it is', () => {
    const left = hear(song, withSetting(plainMix(song), 'track/reed/pan', -1), audio)!
    expect(leftOverRight(left.tracks['reed']!, whole) ?? Infinity).toBeGreaterThan(40)
    const reedAlone = hear(song, withSetting(plainMix(song), 'track/pad/mute', 1), audio)!
    expect(brightness(reedAlone.mix, whole)).toBeCloseTo(440, -1)
    const silent = hear(song, withSetting(plainMix(song), 'track/reed/mute', 1), audio)!
    expect(brightness(silent.mix, { from: 0, to: 3 })).toBeNull()
    expect(brightness(heard.tracks['pad']!, whole)).toBeCloseTo(1000, -1)
  })

  it('finds where a track comes in, whatever the mix does', () => {
    const entries = entriesOf(song, withLine(song, 'pad', [point(0, -90)]), audio)
    expect(entries['reed']![0]!).toBeLessThan(40)
    expect(entries['pad']).toHaveLength(1)
    expect(Math.abs(entries['pad']![0]! - 4 * 1920)).toBeLessThan(40)
  })
})

describe('hearing again', () => {
  it('renders nothing twice that did not change, and gives the same', () => {
    const cache = new RecentParts()
    const first = hear(song, wet, audio, cache)!
    const changed = withLine(song, 'pad', [point(0, -3), point(7680, -20)], wet)
    const [again, fresh] = [hear(song, changed, audio, cache)!, hear(song, changed, audio)!]
    expect(again.tracks['reed']).toBe(first.tracks['reed'])
    expect(again.still).toBe(first.still)
    expect(again.tracks['pad']).not.toBe(first.tracks['pad'])
    expect(again.mix).toEqual(fresh.mix)
    expect(again.tracks).toEqual(fresh.tracks)
  })

  it('forgets what was not asked for longest', () => {
    const parts = new RecentParts(2)
    const part = hear(song, plainMix(song), audio)!.mix
    for (const key of ['a', 'b']) parts.set(key, part)
    parts.get('a')
    parts.set('c', part)
    expect([parts.get('a'), parts.get('b')]).toEqual([part, undefined])
  })

  it('can be stopped', () => {
    expect(hear(song, wet, audio, new RecentParts(), { onProgress: (share) => share < 0.5 })).toBeNull()
  })
})
