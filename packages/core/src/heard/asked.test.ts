import { describe, expect, it } from 'vitest'
import { smallSong, withLine } from '../../test/songs'
import { point } from '../envelope'
import { plainMix, trackLevel, withPoints, type Mix } from '../mix'
import { picturesAsked, type PictureTask } from '.'

const BAR = 3840
const song = smallSong(8)
const [REED, PAD] = [trackLevel('reed'), trackLevel('pad')]
const plain = plainMix(song)
const task = (given: Partial<PictureTask> = {}): PictureTask => ({
  lanes: [REED],
  from: 0,
  to: 4 * BAR,
  checks: [],
  ...given,
})
const out = [point(BAR, 0), point(2 * BAR, -90)]
const into = [point(BAR, -90), point(2 * BAR, 0)]
const kinds = (mix: Mix, of: PictureTask) => picturesAsked(song, mix, of).map((a) => a.kind)

describe('what is looked at of a task', () => {
  it('is the fades on its lanes that touch its bars', () => {
    const mix = withLine(song, 'reed', out)
    expect(picturesAsked(song, mix, task())).toEqual([
      { kind: 'fade', fade: { lane: REED, start: BAR, end: 2 * BAR, from: 0, to: -90 } },
    ])
    expect(kinds(mix, task({ from: 3 * BAR }))).toEqual(['build'])
  })

  it('is the build that it asks for, and fades beyond it', () => {
    const build = [{ kind: 'build', values: { from: 0, to: 2 * BAR } }]
    expect(kinds(plain, task({ checks: build }))).toEqual(['build'])
    expect(kinds(withLine(song, 'reed', out), task({ checks: build }))).toEqual(['build'])
    expect(
      kinds(withLine(song, 'reed', [point(3 * BAR, 0), point(4 * BAR, -90)]), task({ checks: build })),
    ).toEqual(['build', 'fade'])
  })

  it('is two fades that cross as one, once both are there', () => {
    const asked = task({
      lanes: [REED, PAD],
      checks: [{ kind: 'crossing', values: { leaves: 'reed', comes: 'pad', from: 0, to: 4 * BAR } }],
    })
    const half = withLine(song, 'reed', out)
    expect(kinds(half, asked)).toEqual(['fade'])
    expect(picturesAsked(song, withLine(song, 'pad', into, half), asked)).toMatchObject([
      { kind: 'crossing', leaves: { lane: REED, to: -90 }, comes: { lane: PAD, to: 0 } },
    ])
  })

  it('is the balance where it is about no line, or asks how the lead stands', () => {
    expect(kinds(plain, task({ lanes: [] }))).toEqual(['balance'])
    expect(kinds(plain, task({ checks: [{ kind: 'lead over rest', values: {} }] }))).toEqual(['balance'])
  })

  it('is what the lines do bar by bar where none of these is there, and nothing where none is drawn', () => {
    const pan = withPoints(plain, 'track/reed/pan', [point(BAR, -0.5), point(2 * BAR, 0.5)], () => 'l')
    const asked = task({ lanes: ['track/reed/pan'], from: BAR, to: 3 * BAR })
    expect(picturesAsked(song, pan, asked)).toEqual([{ kind: 'build', grows: false, from: BAR, to: 3 * BAR }])
    expect(picturesAsked(song, plain, asked)).toEqual([])
  })
})
