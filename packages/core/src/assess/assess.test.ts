import { describe, expect, it } from 'vitest'
import { point, type Points } from '../envelope'
import { plainMix, withPoints } from '../mix'
import { audioFor, smallSong, withLine } from '../../test/songs'
import { laneName, levelInWords, measureMix, sayMeasurement } from '.'

const song = smallSong()
const audio = audioFor(
  song,
  (n) => Math.round(8000 * Math.sin(n * 0.06)),
  (n) => Math.round(3000 * Math.sin(n * 0.03)),
)
const version = (points: Points) => {
  const mix = points.length ? withLine(song, 'reed', points) : plainMix(song)
  return { mix, measured: measureMix(song, mix, audio) }
}
const said = (points: Points) => {
  const { mix, measured } = version(points)
  return sayMeasurement(mix, measured).map((saying) => saying.key)
}
const BAR = 3840

describe('measureMix', () => {
  it('measures lines and sound, and survives JSON', () => {
    const { measured } = version([point(0, -90), point(BAR, -6)])
    expect(measured.moves).toMatchObject([{ kind: 'fade in', lane: 'track/reed/level' }])
    expect(measured.integrated).toBeLessThan(-10)
    expect(measured.truePeak).toBeLessThan(0)
    expect(measured.momentary).toHaveLength(80)
    expect(measured.points).toEqual({ 'track/reed/level': 2 })
    expect(JSON.parse(JSON.stringify(measured))).toEqual(measured)
  })

  it('keeps the slope of a jump as a number', () => {
    const { measured } = version([point(0, 0, 'jump'), point(BAR, -12)])
    expect(measured.moves[0]!.steepest).toBe(Number.MAX_VALUE)
  })

  it('has no number for silence', () => {
    const measured = measureMix(song, plainMix(song), new Map())
    expect(measured).toMatchObject({ integrated: null, truePeak: null })
    expect(sayMeasurement(plainMix(song), measured).map((m) => m.key)).toContain('measured.silent')
  })
})

describe('sayMeasurement', () => {
  it('says what was drawn, where and how', () => {
    expect(said([point(0, -90), point(BAR, -6)])[0]).toBe('move.fade-in')
    expect(said([point(2 * BAR, 0, 'curve', 4), point(4 * BAR, -38)])[0]).toBe('move.fade-out-soft')
    const dip = [
      point(0, -3),
      point(BAR - 960, -3),
      point(BAR, -9),
      point(2 * BAR, -9),
      point(2 * BAR + 960, -3),
    ]
    expect(said(dip)[0]).toBe('move.dip')
    expect(said([point(0, 0, 'jump'), point(BAR, -12)])[0]).toBe('move.jump-down')
    expect(said([])[0]).toBe('measured.no-moves')
  })

  it('says what is inside a move, where it is worth saying', () => {
    const twice = [
      point(0, -3),
      point(BAR, -6),
      point(1.5 * BAR, -6),
      point(2 * BAR, -12),
      point(3 * BAR, -12),
      point(3.5 * BAR, -3),
    ]
    expect(said(twice)).toEqual(expect.arrayContaining(['move.dip', 'move.in-steps', 'move.rests']))
  })

  it('says how loud it is, and warns of too much', () => {
    expect(said([]).at(-1)).toBe('measured.peak-room')
    const loud = audioFor(
      song,
      () => 0,
      (n) => (Math.floor(n / 30) % 2 ? 32_000 : -32_000),
    )
    const mix = { ...plainMix(song), main: { level: 6 } }
    expect(sayMeasurement(mix, measureMix(song, mix, loud)).at(-1)!.key).toBe('measured.peak-over')
  })
})

describe('words', () => {
  it('are those of a lesson', () => {
    expect([
      levelInWords(-90),
      levelInWords(0),
      levelInWords(-6),
      levelInWords(-10),
      levelInWords(-3),
    ]).toEqual(['nothing is heard', 'as strong as recorded', 'half the amplitude', 'about half as loud', ''])
  })

  it('name lanes by what people see', () => {
    const mix = withPoints(plainMix(song), 'track/pad/pan', [point(0, 0)], () => 'p')
    expect(laneName(song, mix, 'track/pad/level')).toBe('Pad')
    expect(laneName(song, mix, 'track/pad/pan')).toBe('Pad, pan')
    expect(laneName(song, mix, 'main/level')).toBe('Main output')
  })
})
