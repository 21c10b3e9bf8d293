import { movePlace, valueAt } from '@rudlo/core/envelope'
import { envelopeOf, plainMix, withLane } from '@rudlo/core/mix'
import { levelScale } from '@rudlo/core/scale'
import { songOfStems, songTime } from '@rudlo/core/song'
import { describe, expect, it } from 'vitest'
import { lanesToShow, movesOf, withMove } from './move-demo'

let n = 0
const freshId = () => `id-${++n}`
const song = songOfStems(
  'Song',
  [{ name: 'Organ', role: 'lead', asset: 'a'.repeat(64), channels: 2, frames: 44_100 * 40 }],
  freshId,
)
const plain = plainMix(song)
const level = `track/${song.tracks[0]!.id}/level`
const pan = `track/${song.tracks[0]!.id}/pan`
const bars = movePlace(songTime(song), { from: 4 * 3840, to: 8 * 3840 })

describe('a move shown to a class', () => {
  it('is one that makes sense on its lane', () => {
    expect(movesOf(plain, level)).toEqual(['fade in', 'fade out', 'lift', 'dip', 'build'])
    expect(movesOf(plain, pan)).toEqual(['sweep', 'to and fro'])
    expect(movesOf(plain, 'track/none/level')).toEqual([])
    expect(lanesToShow(plain)).toContain(level)
    expect(lanesToShow(plain).some((a) => a.endsWith('/mute'))).toBe(false)
  })

  it('is made on a copy, within its bars, also where the lane is locked', () => {
    const before = JSON.stringify(plain)
    for (const move of movesOf(plain, level)) {
      const points = envelopeOf(withMove(plain, level, bars, move), level)!.points
      expect(points.length, move).toBeGreaterThan(1)
      const at = (tick: number) => valueAt(points, levelScale, tick)
      expect(at(bars.span.from - 960), move).toBeCloseTo(0, 9)
      expect(at(bars.span.to + 960), move).toBeCloseTo(move === 'fade out' ? levelScale.min : 0, 9)
    }
    expect(JSON.stringify(plain)).toBe(before)
    const made = withMove(plain, level, bars, 'fade out')
    const locked = withLane(made, level, { open: false })
    expect(envelopeOf(withMove(locked, level, bars, 'fade in'), level)!.points).not.toEqual(
      envelopeOf(made, level)!.points,
    )
    expect(withMove(plain, 'track/none/level', bars, 'lift')).toBe(plain)
  })
})
