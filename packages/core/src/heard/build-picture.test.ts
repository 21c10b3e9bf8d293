import { describe, expect, it } from 'vitest'
import { audioFor, smallSong, withLine } from '../../test/songs'
import { point } from '../envelope'
import { plainMix, type Mix } from '../mix'
import { songTime } from '../song'
import { SAMPLE_RATE } from '../time'
import { buildPicture, hear, hearBuild, RecentParts, type Heard } from '.'

const BAR = 3840
const song = smallSong(8)
const time = songTime(song)
const tone = (hz: number, level: number) => (n: number) =>
  Math.round(level * Math.sin((2 * Math.PI * hz * n) / SAMPLE_RATE))
const audio = audioFor(song, tone(440, 5000), tone(1000, 5000))
const parts = new RecentParts()
const heardOf = (mix: Mix): Heard => hear(song, mix, audio, parts)!

/** Levels in dB, one a bar, held all through it. */
const steps = (...levels: number[]) => levels.map((level, i) => point(i * BAR, level, 'jump'))

/** The reed and the pad, each with a level for every bar. */
const mixOf = (reed: readonly number[], pad: readonly number[]): Mix =>
  withLine(song, 'pad', steps(...pad), withLine(song, 'reed', steps(...reed), plainMix(song)))
const without = (mix: Mix, track: string): Mix => ({
  ...mix,
  envelopes: mix.envelopes.filter((e) => e.address !== `track/${track}/level`),
})
const partsOf = (mix: Mix) => ({
  'track/reed/level': heardOf(without(mix, 'reed')).mix,
  'track/pad/level': heardOf(without(mix, 'pad')).mix,
})

describe('a build', () => {
  it('has known steps where everybody grows by them, to a tenth of an LU', () => {
    const levels = [-12, -9, -6, -3]
    const mix = mixOf(levels, levels)
    const picture = buildPicture(time, { from: 0, to: 4 * BAR }, heardOf(mix), partsOf(mix))
    picture.bars.forEach((bar, i) => expect(Math.abs(bar.adds! - levels[i]!)).toBeLessThan(0.1))
    expect(picture.bars.map((b) => b.bar)).toEqual([1, 2, 3, 4])
    expect([picture.falls, picture.after]).toEqual([[], null])
    expect(picture.steepest).not.toBeNull()
  })

  it('says who builds it: what is missing without one, and what only both do', () => {
    const mix = mixOf([-12, -6, 0, 0], [0, 0, 0, 0])
    const { bars } = buildPicture(time, { from: 0, to: 4 * BAR }, heardOf(mix), partsOf(mix))
    for (const bar of bars) {
      expect(Math.abs(bar.lanes['track/pad/level']!)).toBeLessThan(0.1)
      expect(bar.lanes['track/reed/level']).toBeCloseTo(bar.adds!, 1)
      const sum = Object.values(bar.lanes).reduce((a, b) => a + b, 0) + bar.together
      expect(sum).toBeCloseTo(bar.adds!, 1)
    }
    expect(bars[0]!.adds!).toBeLessThan(-1)
  })

  it('names bars that fall, the steepest, the room that is left and the bar after', () => {
    const levels = [-12, -3, -6, -6]
    const mix = mixOf(levels, levels)
    const heard = heardOf(mix)
    const picture = buildPicture(time, { from: 0, to: 3 * BAR }, heard, {})
    expect([picture.steepest, picture.falls]).toEqual([2, [3]])
    expect(picture.after).toBeCloseTo(0, 1)
    // two tones of 5000 of 32768, 3 dB down; one of them is in mono, and in the middle
    const peak = 20 * Math.log10(((5000 + 5000 * Math.SQRT1_2) / 32_768) * 10 ** (-3 / 20))
    expect(Math.abs(picture.room! + peak)).toBeLessThan(0.4)
  })

  it('that goes by brightness says octaves, and nothing where nothing sounds', () => {
    const mix = mixOf([0, 0, 0, 0], [0, 0, 0, 0])
    const heard = heardOf(mix)
    const [reed, pad] = [heard.tracks['reed']!, heard.tracks['pad']!]
    const bright = buildPicture(
      time,
      { from: 0, to: BAR },
      heard,
      {},
      {
        lane: 'effect/f/cutoff',
        now: pad,
        before: reed,
      },
    )
    expect(bright.brightens).toBe('effect/f/cutoff')
    expect(bright.bars[0]!.octaves).toBeCloseTo(Math.log2(1000 / 440), 1)
    const silent = hear(
      song,
      mix,
      audioFor(song, () => 0),
    )!
    const nothing = buildPicture(time, { from: 0, to: BAR }, silent, {})
    expect([nothing.bars[0]!.adds, nothing.room]).toEqual([null, null])
  })

  it('asks for the share of every lane that moves in it, and of no other', () => {
    const mix = mixOf([-12, -6, 0, 0], [0, 0, 0, 0])
    const picture = hearBuild(song, mix, audio, { from: 0, to: 3 * BAR }, parts)!
    expect(Object.keys(picture.bars[0]!.lanes)).toEqual(['track/reed/level'])
    expect(picture.bars[1]!.adds).toBeCloseTo(picture.bars[1]!.lanes['track/reed/level']!, 1)
  })

  it('is the same whether the whole song was heard before, or only its bars are', () => {
    const mix = mixOf([-12, -6, -3, 0], [-6, -6, 0, -3])
    const stretch = { from: BAR, to: 3 * BAR }
    const known = new RecentParts()
    hear(song, mix, audio, known)
    const [before, alone] = [known, new RecentParts()].map((cache) =>
      hearBuild(song, mix, audio, stretch, cache)!,
    )
    alone!.bars.forEach((bar, i) => expect(Math.abs(bar.adds! - before!.bars[i]!.adds!)).toBeLessThan(0.05))
    expect(alone!.after).toBeCloseTo(before!.after!, 1)
    expect(alone!.room).toBeCloseTo(before!.room!, 1)
  })
})
