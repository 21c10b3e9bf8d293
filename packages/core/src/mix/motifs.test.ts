import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { smallSong } from '../../test/songs'
import { addPoint, EditRefused, movePoint, point, valueAt, type Points } from '../envelope'
import { levelScale } from '../scale'
import {
  editMotif,
  envelopeOf,
  freeChanged,
  freedMotifs,
  keepMotif,
  mixProblem,
  motifKind,
  motifsFor,
  placeMotif,
  plainMix,
  removeMotif,
  renameMotif,
  withLane,
  withPoints,
  type Mix,
} from '.'

const song = smallSong()
const REED = 'track/reed/level'
const PAD = 'track/pad/level'
const swell: Points = [point(0, -20), point(960, -6), point(1920, -20), point(7000, -20)]
const level: Points = [point(0, -12)]

/** A swell kept as a motif, and placed at two more places. */
function placed(): Mix {
  let mix = withPoints(plainMix(song), REED, swell, () => 'e1')
  mix = keepMotif(mix, REED, swell, { from: 0, to: 1920 }, 'Swell', { motif: 'm', placement: 'p1' })
  mix = placeMotif(mix, 'm', REED, swell, 3840, { placement: 'p2', envelope: 'x' })
  return placeMotif(mix, 'm', PAD, level, 960, { placement: 'p3', envelope: 'e2' })
}

const at = (mix: Mix, address: string, tick: number) =>
  Math.round(1e6 * valueAt(envelopeOf(mix, address)!.points, levelScale, tick)) / 1e6

describe('a motif', () => {
  it('is placed elsewhere, on lanes of its kind', () => {
    const mix = placed()
    expect(mixProblem(mix, song)).toBeNull()
    expect([at(mix, REED, 4800), at(mix, PAD, 1920), at(mix, PAD, 5000)]).toEqual([-6, -6, -12])
    expect(mix.placements.map((p) => p.start)).toEqual([0, 3840, 960])
    expect(motifsFor(mix, PAD).map((m) => m.name)).toEqual(['Swell'])
    expect(motifsFor(mix, 'track/pad/pan')).toEqual([])
    expect(motifKind(mix, 'send/s/level')).toBe('send/level')
  })

  it('is followed by its copies when it is edited', () => {
    const mix = editMotif(placed(), 'm', [point(0, -30), point(960, 0), point(1920, -30)])
    expect([at(mix, REED, 960), at(mix, REED, 4800), at(mix, PAD, 1920)]).toEqual([0, 0, 0])
    expect(mix.placements).toHaveLength(3)
    expect(mixProblem(mix, song)).toBeNull()
  })

  it('is not followed on a locked lane, which is set free', () => {
    const locked = withLane(placed(), PAD, { open: false })
    const mix = editMotif(locked, 'm', [point(0, -30), point(960, 0), point(1920, -30)])
    expect([at(mix, REED, 960), at(mix, PAD, 1920)]).toEqual([0, -6])
    expect(mix.placements.map((p) => p.id)).toEqual(['p1', 'p2'])
    expect(() => placeMotif(locked, 'm', PAD, level, 0, { placement: 'q', envelope: 'y' })).toThrow(
      EditRefused,
    )
  })

  it('lets a copy go that was changed by hand, and says whose', () => {
    const before = placed()
    const points = envelopeOf(before, REED)!.points
    const index = points.findIndex((p) => p.tick === 4800)
    const edited = withPoints(before, REED, movePoint(points, levelScale, index, 4800, -3), () => '')
    const mix = freeChanged(before, edited)
    expect(mix.placements.map((p) => p.id)).toEqual(['p1', 'p3'])
    expect(freedMotifs(before, mix)).toEqual(['Swell'])
    expect(freedMotifs(before, before)).toEqual([])
  })

  it('keeps copies beside which something else was changed', () => {
    const before = placed()
    const points = envelopeOf(before, REED)!.points
    const edited = withPoints(before, REED, addPoint(points, levelScale, 6500, 0), () => '')
    expect(freeChanged(before, edited)).toBe(edited)
  })

  it('can be taken away while it is in use: its copies stay as they are', () => {
    const before = placed()
    const mix = removeMotif(before, 'm')
    expect([mix.motifs, mix.placements]).toEqual([[], []])
    expect(mix.envelopes).toBe(before.envelopes)
    expect(renameMotif(before, 'm', 'Wave').motifs[0]!.name).toBe('Wave')
  })

  it('stays valid whatever is placed where', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 12_000 }), { maxLength: 8 }), (starts) => {
        const mix = starts.reduce((m, start, i) => {
          const points = envelopeOf(m, PAD)!.points
          return placeMotif(m, 'm', PAD, points, start, { placement: `q${i}`, envelope: 'z' })
        }, placed())
        expect(mixProblem(mix, song)).toBeNull()
        // what is placed last is whole
        if (starts.length) expect(mix.placements.some((p) => p.id === `q${starts.length - 1}`)).toBe(true)
      }),
    )
  })
})
