import type { BuildPicture, CrossingPicture, FadePicture, Picture } from '@rudlo/core/heard'
import { plainMix, trackLevel } from '@rudlo/core/mix'
import { songTime } from '@rudlo/core/song'
import { describe, expect, it } from 'vitest'
import { shortSong } from '../../../test/short-song'
import { saidOf, tableOf, titleOf, type Namer } from './picture-words'

const BAR = 3840
const song = {
  ...shortSong,
  sections: [
    { id: 'a', letter: 'A', name: 'First', tick: 0 },
    { id: 'b', letter: 'B', name: 'Second', tick: 2 * BAR },
  ],
}
const by: Namer = { song, mix: plainMix(song), time: songTime(song), within: null }
const LANE = trackLevel(song.tracks[0]!.id)
const NAME = song.tracks[0]!.name

const fade = (more: Partial<FadePicture> = {}): Picture => ({
  kind: 'fade',
  lane: LANE,
  fade: {
    way: 'out',
    start: 0,
    end: BAR,
    first: 0,
    loss: [0, -10, -50],
    even: [0, -12, -40],
    heard: 960,
    gone: 2880,
    still: null,
    steepest: null,
    ...more,
  },
})
const crossing = (more: Partial<CrossingPicture>): Picture => ({
  kind: 'crossing',
  leaves: LANE,
  comes: LANE,
  crossing: {
    start: 0,
    end: BAR,
    first: 0,
    leaves: [0],
    comes: [-40],
    sum: [0],
    meet: null,
    hole: null,
    ...more,
  },
})
const build = (
  grows: boolean,
  adds: readonly (number | null)[],
  more: Partial<BuildPicture> = {},
): Picture => ({
  kind: 'build',
  grows,
  build: {
    bars: adds.map((value, i) => ({
      bar: i + 1,
      from: i * BAR,
      to: (i + 1) * BAR,
      adds: value,
      lanes: { [LANE]: value ?? 0 },
      together: 0,
      octaves: null,
    })),
    arrives: adds.length * BAR,
    steepest: null,
    falls: [],
    room: null,
    after: null,
    brightens: null,
    unsplit: 0,
    ...more,
  },
})
const said = (picture: Picture) => saidOf(by, picture).join(' ')

describe('what a picture says', () => {
  it('of a fade: where it begins to be heard and where it is gone', () => {
    expect(said(fade())).toMatch(/begin to leave at bar 1, beat 2.*gone at bar 1, beat 4/)
    expect(said(fade({ gone: null }))).toMatch(/never quite gone/)
    expect(said(fade({ way: 'in', heard: 2880, gone: 960 }))).toMatch(
      /first hear it at bar 1, beat 2.*fully there at bar 1, beat 4/,
    )
    expect(said(fade({ heard: null }))).toMatch(/nobody hears that anything moves/)
  })

  it('of what cannot be shown: why', () => {
    expect(said(fade({ loss: [null, null] }))).toBe(
      `${NAME} is silent here, so there is nothing to hear of this fade.`,
    )
    expect(said(fade({ loss: [0, null, -50] }))).toMatch(/Where .* rests, the picture has a gap/)
    expect(said(crossing({ sum: [null] }))).toMatch(/^Neither/)
    expect(said(build(true, [null, null]))).toBe('Nothing plays in these bars.')
    expect(said({ kind: 'balance', balance: { sections: [], way: [], bars: [] } })).toMatch(
      /No voice and no lead plays here/,
    )
    const nothing = build(true, [0, 0]) as Extract<Picture, { kind: 'build' }>
    const bare = { ...nothing.build, bars: nothing.build.bars.map((b) => ({ ...b, lanes: {} })) }
    expect(said({ ...nothing, build: bare })).toBe('No line moves in these bars yet.')
  })

  it('of a crossing: a hole is one from 4 LU on, and less of it is said as it is', () => {
    const at = { tick: 0 }
    expect(said(crossing({ hole: { ...at, deep: 9 } }))).toMatch(/There is a hole at bar 1.*9 LU/)
    expect(said(crossing({ hole: { ...at, deep: 2 } }))).toMatch(/2 LU thinner, which is no hole/)
    expect(said(crossing({ meet: 960 }))).toMatch(/without a hole.*equally strong at bar 1, beat 2/)
  })

  it('of a build: how it grows, where not, and what comes after; of other lines what they do most', () => {
    const grown = build(true, [-6, -5, -5, 0], { falls: [3], steepest: 4, after: -2, room: 4.2 })
    expect(said(grown)).toMatch(
      /grows by 6\.0 LU.*most in bar 4.*Bar 3 does not grow.*4\.2 dB of room.*2\.0 LU softer/,
    )
    expect(said(build(true, [0, -3]))).toMatch(/3\.0 LU softer from its first bar to its last/)
    expect(said(build(false, [0, -6.4, 0]))).toBe('They do most in bar 2: the mix is 6.4 LU softer there.')
    expect(said(build(false, [0, 0.2]))).toMatch(/hardly louder or softer/)
  })

  it('of the balance: what lies in the bars that it is about comes first', () => {
    const way = song.sections.map(({ id }) => ({
      section: id,
      lead: song.tracks[0]!.id,
      by: [{ track: song.tracks[0]!.id, share: 0.5, low: 600, high: 1500, back: 3 }],
      forward: null,
    }))
    const last = song.sections.at(-1)!
    const balance = { sections: [], way, bars: [{ bar: 1, from: 0, to: BAR, lead: 1 }] }
    const [first] = saidOf(
      { ...by, within: { from: last.tick, to: song.length } },
      { kind: 'balance', balance },
    )
    expect(first).toMatch(
      new RegExp(`^In ${last.letter}, .* covers about half of what .* plays, between 600 and 1500 Hz`),
    )
    expect(first).toMatch(/3 dB softer you would hear/)
  })
})

describe('the figures of a picture', () => {
  it('are as many columns as the head says, one row a beat or a bar', () => {
    for (const picture of [
      fade({ loss: Array.from({ length: 20 }, () => -3), even: [] }),
      crossing({}),
      build(true, [1, null]),
    ]) {
      const { head, rows } = tableOf(by, picture)
      for (const row of rows) expect(row).toHaveLength(head.length)
      expect(titleOf(by, picture)).not.toBe('')
    }
    const { rows } = tableOf(by, fade({ loss: Array.from({ length: 20 }, () => -3), even: [] }))
    // two seconds at 120 are four beats
    expect(rows.map(([place, loss]) => [place, loss])).toEqual(
      [1, 2, 3, 4].map((beat) => [`bar 1, beat ${beat}`, '−3.0']),
    )
  })
})
