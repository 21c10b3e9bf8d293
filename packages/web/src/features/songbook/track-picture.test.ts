import { overviewOf } from '@rudlo/core/exchange'
import { songOfStems } from '@rudlo/core/song'
import { describe, expect, it } from 'vitest'
import { trackPicture } from './track-picture'

const FRAMES = 44_100 * 8
const asset = 'a'.repeat(64)
let n = 0
const song = songOfStems(
  'Song',
  [{ name: 'Organ', role: 'lead', asset, channels: 1, frames: FRAMES }],
  () => `id-${++n}`,
)
const track = song.tracks[0]!.id
const sounding = (from: number, to: number, peak: number) =>
  new Int16Array(FRAMES).map((_, i) => (i >= from && i < to ? (i % 2 ? peak : -peak) : 0))

describe('the picture of a track', () => {
  it('is drawn where it sounds, with its highest peak', () => {
    const half = overviewOf([sounding(FRAMES / 2, FRAMES, 16_384)])
    const { path, peak } = trackPicture(song, track, new Map([[asset, half]]))
    const xs = [...path.matchAll(/M([\d.]+) /g)].map((m) => Number(m[1]))
    expect(Math.min(...xs)).toBeGreaterThan(30)
    expect(xs.length).toBeGreaterThan(20)
    expect(peak).toBeCloseTo(-6, 0)
  })

  it('is empty for silence, for what has not arrived, and for another track', () => {
    const silent = overviewOf([new Int16Array(FRAMES)])
    const nothing = { path: '', peak: null }
    expect(trackPicture(song, track, new Map([[asset, silent]]))).toEqual(nothing)
    expect(trackPicture(song, track, new Map())).toEqual(nothing)
    expect(trackPicture(song, 'none', new Map([[asset, silent]]))).toEqual(nothing)
  })
})
