import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { audioFor, smallSong } from '../../test/songs'
import { compileMix, render } from '../engine'
import { EditRefused, point, valueAt } from '../envelope'
import { levelScale } from '../scale'
import { SAMPLE_RATE, TempoMap } from '../time'
import {
  copyRegion,
  envelopeOf,
  mixProblem,
  moveRegion,
  plainMix,
  regionEnds,
  regionOf,
  removeRegion,
  splitRegion,
  trimRegion,
  withLinesAlong,
  withPoints,
  withRegion,
} from '.'

const song = smallSong()
const tempo = new TempoMap(song.tempo)
const mix = plainMix(song)
const FRAMES = 8 * SAMPLE_RATE

describe('trimming a region', () => {
  it('leaves its sound in its place', () => {
    const late = trimRegion(mix, 'r1', 'start', 1920, tempo, FRAMES)
    expect(regionOf(late, 'r1')!.region).toMatchObject({
      start: 1920,
      offset: SAMPLE_RATE,
      length: 7 * SAMPLE_RATE,
    })
    const short = trimRegion(late, 'r1', 'end', 3840, tempo, FRAMES)
    expect(regionOf(short, 'r1')!.region.length).toBe(SAMPLE_RATE)
    expect(regionEnds(regionOf(short, 'r1')!.region, tempo)).toEqual({ from: 1920, to: 3840 })
    const back = trimRegion(short, 'r1', 'start', -500, tempo, FRAMES)
    expect(regionOf(back, 'r1')!.region).toMatchObject({ start: 0, offset: 0 })
  })

  it('keeps within the recording and its fades within it, wherever it is dragged', () => {
    const drag = fc.tuple(
      fc.constantFrom('start' as const, 'end' as const),
      fc.integer({ min: -30_000, max: 60_000 }),
    )
    const faded = withRegion(mix, 'r1', { fadeIn: 40_000, fadeOut: 90_000 })
    fc.assert(
      fc.property(fc.array(drag, { maxLength: 6 }), (drags) => {
        const next = drags.reduce((m, [edge, t]) => trimRegion(m, 'r1', edge, t, tempo, FRAMES), faded)
        expect(mixProblem(next, song)).toBeNull()
        expect(regionOf(next, 'r1')!.region.length).toBeGreaterThan(0)
      }),
    )
  })
})

describe('splitting a region', () => {
  it('changes nothing of the sound', () => {
    const audio = audioFor(song, (n) => 9000 * Math.sin(n / 17))
    const split = splitRegion(mix, 'r1', 3333, tempo, 'new')
    expect(mixProblem(split, song)).toBeNull()
    const [before, after] = [mix, split].map((m) => render(compileMix(song, m), audio)!.left) as [
      Float32Array,
      Float32Array,
    ]
    expect(after.every((v, i) => v === before[i])).toBe(true)
  })

  it('is refused where there is nothing to split', () => {
    expect(() => splitRegion(mix, 'r1', 0, tempo, 'n')).toThrow(EditRefused)
    expect(() => splitRegion(mix, 'r1', 99_999, tempo, 'n')).toThrow(/not inside/)
  })
})

describe('moving and copying a region', () => {
  const line = [point(0, -20), point(1920, -6), point(3840, -20)]
  const drawn = withPoints(mix, 'track/reed/level', line, () => 'e')
  const at = (m: typeof mix, tick: number) =>
    Math.round(1e6 * valueAt(envelopeOf(m, 'track/reed/level')!.points, levelScale, tick)) / 1e6

  it('leaves the lines, moves them or copies them, as is wished', () => {
    const moved = moveRegion(drawn, 'r1', 960)
    expect(regionOf(moved, 'r1')!.region.start).toBe(960)
    expect(at(moved, 1920)).toBe(-6)
    const span = { from: 960, to: 2880 }
    const along = withLinesAlong(moved, 'reed', span, 3840, 'moved', song.length)
    expect([at(along, 5760), at(along, 1920) < -7]).toEqual([-6, true])
    const copied = withLinesAlong(moved, 'reed', span, 3840, 'copied', song.length)
    expect([at(copied, 5760), at(copied, 1920)]).toEqual([-6, -6])
    expect(mixProblem(copied, song)).toBeNull()
  })

  it('copies, and takes away', () => {
    const twice = copyRegion(mix, 'r1', 4800, 'again')
    expect(twice.tracks[0]!.regions.map((r) => [r.id, r.start])).toEqual([
      ['r1', 0],
      ['again', 4800],
    ])
    expect(removeRegion(twice, 'r1').tracks[0]!.regions.map((r) => r.id)).toEqual(['again'])
    expect(mixProblem(twice, song)).toBeNull()
  })
})
