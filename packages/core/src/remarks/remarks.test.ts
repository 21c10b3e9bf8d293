import { describe, expect, it } from 'vitest'
import { smallSong, withLine } from '../../test/songs'
import { movesOfMix } from '../assess'
import { point } from '../envelope'
import { MISTAKES } from '../mistakes'
import { plainMix, withPoints } from '../mix'
import { songTime } from '../song'
import { FIGURE_NAMES, figuresAt, fillRemark, suggestRemarks, usualRemarks } from '.'

const song = smallSong()
const time = songTime(song)
const BAR = 3840
const REED = 'track/reed/level'

describe('figuresAt', () => {
  it('takes the move that lies most in the span', () => {
    const mix = withLine(song, 'reed', [point(BAR, -3), point(BAR * 2, -9.5)])
    const figures = figuresAt(song, mix, movesOfMix(song, mix), { lane: REED, from: 0, to: BAR * 3 }, time)
    expect(figures).toEqual({
      track: 'Reed',
      control: 'volume',
      kind: 'fall',
      bar: 'bar 2',
      length: '1 bar',
      depth: '6.5 dB',
      seconds: '2.0 s',
    })
  })

  it('has the span alone where nothing moves', () => {
    const figures = figuresAt(song, plainMix(song), [], { lane: REED, from: BAR, to: BAR * 3 }, time)
    expect(figures).toMatchObject({ bar: 'bar 2', length: '2 bars' })
    expect(figures.depth).toBeUndefined()
  })

  it('gives values of other controls in their unit', () => {
    const mix = withPoints(plainMix(song), 'track/reed/pan', [point(0, -1), point(BAR, 0.5)], () => 'p')
    const spot = { lane: 'track/reed/pan', from: 0, to: BAR }
    expect(figuresAt(song, mix, movesOfMix(song, mix), spot, time)).toMatchObject({
      control: 'pan',
      depth: 'R50',
    })
  })
})

describe('fillRemark', () => {
  it('fills what it knows and leaves the rest to be seen', () => {
    expect(fillRemark('{track}: {length}, {depth}, {joy}', { track: 'Reed', length: '2 bars' })).toBe(
      'Reed: 2 bars, {depth}, {joy}',
    )
    expect(fillRemark('{constructor} {__proto__}', {})).toBe('{constructor} {__proto__}')
  })

  it('knows every figure that the usual remarks leave open, and every mistake that they answer', () => {
    for (const { text, mistake } of usualRemarks()) {
      for (const [, name] of text.matchAll(/\{(\w+)\}/g)) expect(FIGURE_NAMES).toContain(name)
      if (mistake) expect(MISTAKES.map((m) => m.kind)).toContain(mistake)
    }
  })
})

describe('suggestRemarks', () => {
  const bank = [
    { id: '1', text: 'Lovely ending', mistake: null },
    { id: '2', text: 'Where is it back?', mistake: 'never back' },
    { id: '3', text: 'Too hot here', mistake: 'too hot' },
  ]
  const ids = (...args: [readonly string[], string?]) => suggestRemarks(bank, ...args).map((r) => r.id)

  it('puts answers to what was found first, in its order', () => {
    expect(ids(['too hot', 'never back'])).toEqual(['3', '2', '1'])
    expect(ids([])).toEqual(['1', '2', '3'])
    expect(ids(['never back'])).toEqual(['2', '1', '3'])
  })

  it('searches for all words', () => {
    expect(ids([], 'HOT  here')).toEqual(['3'])
    expect(ids([], 'nowhere')).toEqual([])
  })
})
