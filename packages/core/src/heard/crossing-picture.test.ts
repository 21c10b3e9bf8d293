import { describe, expect, it } from 'vitest'
import { audioFor, smallSong, withLine } from '../../test/songs'
import { point, type Points } from '../envelope'
import { plainMix, trackLevel, type Mix } from '../mix'
import { songTime } from '../song'
import { hearCrossing, HOPS, RecentParts, type CrossingPicture } from '.'

const BAR = 3840
const song = smallSong(8)
const time = songTime(song)

/** Noise that is the same in every run, and unlike for unlike seeds. */
function noise(seed: number, level: number) {
  let state = seed
  return () => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0
    return Math.round(level * (state / 2 ** 31 - 1))
  }
}
const [mono, left, right] = [noise(1, 9000), noise(2, 9000 * Math.SQRT1_2), noise(3, 9000 * Math.SQRT1_2)]
const audio = audioFor(song, mono, (_, side) => (side ? right() : left()))
const parts = new RecentParts()
const [OUT, IN] = [trackLevel('reed'), trackLevel('pad')]

/** Lines from one bar to another, as a level in dB for every share of the way. */
const line = (of: (share: number) => number): Points =>
  Array.from({ length: 65 }, (_, i) => point(BAR + (2 * BAR * i) / 64, of(i / 64)))
const db = (gain: number) => Math.max(-90, 20 * Math.log10(Math.max(1e-6, gain)))

function crossing(leaves: (share: number) => number, comes: (share: number) => number): CrossingPicture {
  const mix: Mix = withLine(song, 'pad', line(comes), withLine(song, 'reed', line(leaves), plainMix(song)))
  const stretch = { start: BAR, end: 3 * BAR }
  return hearCrossing(
    song,
    mix,
    audio,
    { lane: OUT, ...stretch, from: 0, to: -90 },
    { lane: IN, ...stretch, from: -90, to: 0 },
    parts,
  )!
}

describe('a crossing', () => {
  it('at equal power has no hole: both together stay within an LU of an even hand-over', () => {
    const picture = crossing(
      (s) => db(Math.cos((s * Math.PI) / 2)),
      (s) => db(Math.sin((s * Math.PI) / 2)),
    )
    const place = (tick: number) => Math.round(time.tempo.secondsAt(tick) * HOPS) - picture.first
    for (let i = place(BAR); i < place(3 * BAR); i++) expect(Math.abs(picture.sum[i]!)).toBeLessThan(1)
    expect(picture.hole).toBeNull()
    expect(Math.abs(time.tempo.secondsAt(picture.meet!) - 4)).toBeLessThanOrEqual(1 / HOPS)
    expect(picture.leaves[place(2 * BAR)]).toBeCloseTo(-3, 0)
  })

  it('that is straight in dB has the hole that its lines have, in the middle', () => {
    const picture = crossing(
      (s) => -40 * s,
      (s) => -40 * (1 - s),
    )
    // both are 20 dB down there: together 17 dB below an even hand-over
    expect(picture.hole!.deep).toBeGreaterThan(16.4)
    expect(picture.hole!.deep).toBeLessThan(17.1)
    expect(Math.abs(time.tempo.secondsAt(picture.hole!.tick) - 4)).toBeLessThan(0.3)
  })

  it('says nothing where nothing can be heard', () => {
    const silent = audioFor(song, () => 0)
    const mix = withLine(
      song,
      'reed',
      line((s) => -90 * s),
      plainMix(song),
    )
    const stretch = { start: BAR, end: 3 * BAR }
    const picture = hearCrossing(
      song,
      mix,
      silent,
      { lane: OUT, ...stretch, from: 0, to: -90 },
      { lane: IN, ...stretch, from: -90, to: 0 },
      new RecentParts(),
    )!
    expect([picture.meet, picture.hole]).toEqual([null, null])
    expect(picture.sum.every((lu) => lu === null)).toBe(true)
  })
})
