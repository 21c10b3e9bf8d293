import { plainMix, trackLevel, type Mix } from '@rudlo/core/mix'
import { songTime, type SongVersion } from '@rudlo/core/song'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { nextTick, ref, shallowRef } from 'vue'
import { shortSong } from '../../../test/short-song'
import { SNAPS, useSnapping } from './use-snapping'

const { regionOnsets } = vi.hoisted(() => ({ regionOnsets: vi.fn() }))
vi.mock('../../engine/onset-finder', () => ({ regionOnsets }))

const asset = 'a'.repeat(64)
const region = { offset: 0, length: 44_100, asset }
const song: SongVersion = {
  ...shortSong,
  sections: [
    { id: 'a', letter: 'A', name: '', tick: 0 },
    { id: 'b', letter: 'B', name: '', tick: 7680 },
  ],
  tracks: [
    { id: 'reed', name: 'Reed', role: 'lead', channels: 1 },
    { id: 'pad', name: 'Pad', role: 'chords', channels: 1 },
  ],
  regions: [
    { id: 'r', track: 'reed', start: 960, ...region },
    { id: 'p', track: 'pad', start: 5000, ...region },
  ],
  assets: [{ id: asset, channels: 1, frames: 44_100 }],
}

function desk(open = true) {
  const mix = shallowRef<Mix | null>(open ? plainMix(song) : null)
  const lane = ref(trackLevel('reed'))
  const position = ref(3210.4)
  const snapping = useSnapping({
    song: () => (open ? song : null),
    time: () => (open ? songTime(song) : null),
    mix: () => mix.value,
    lane: () => lane.value,
    position: () => position.value,
  })
  return { ...snapping, lane, position }
}

beforeEach(() => {
  regionOnsets.mockReset()
  regionOnsets.mockResolvedValue([1000, 1500])
})

describe('a place that is set by hand', () => {
  it.each([
    ['bar', 2100, 3840],
    ['beat', 2100, 1920],
    ['half-beat', 2100, 1920],
    ['quarter-beat', 2100, 2160],
    ['third-beat', 2200, 2240],
    ['section', 6000, 7680],
    ['section', 15_000, 15_360],
    ['region', 1100, 960],
    ['region', 2500, 2880],
    ['play', 9000, 3210],
    ['off', 2101.3, 2101],
  ] as const)('snaps to %s: from %d to %d', (to, from, at) => {
    const { grid, snap } = desk()
    grid.value = to
    expect(snap(from, false)).toBe(at)
  })

  it('is where the hand put it while a key is held, and always inside the song', () => {
    const { grid, snap } = desk()
    for (const to of SNAPS) {
      grid.value = to
      expect(snap(2101.4, true)).toBe(2101)
      expect(snap(-500, true)).toBe(0)
      expect(snap(99_999, false)).toBeLessThanOrEqual(song.length)
    }
  })

  it('is as it is while nothing is open', () => {
    expect(desk(false).snap(700, false)).toBe(0)
  })
})

describe('where sounds begin', () => {
  it('is asked for only where it is wanted: of the track at hand, or of all', async () => {
    const { grid, onsets, snap, lane } = desk()
    await nextTick()
    expect(regionOnsets).not.toHaveBeenCalled()
    grid.value = 'onset'
    await vi.waitFor(() => expect(onsets.value).toEqual([1000, 1500]))
    expect(regionOnsets.mock.calls[0]![0]).toMatchObject([{ id: 'r' }])
    expect(snap(1300, false)).toBe(1500)
    lane.value = trackLevel('pad')
    await vi.waitFor(() => expect(regionOnsets).toHaveBeenCalledTimes(2))
    expect(regionOnsets.mock.calls[1]![0]).toMatchObject([{ id: 'p' }])
    grid.value = 'any onset'
    await vi.waitFor(() => expect(regionOnsets).toHaveBeenCalledTimes(3))
    expect(regionOnsets.mock.calls[2]![0]).toHaveLength(2)
  })

  it('snaps to nothing where the sound cannot be read, or has not been yet', async () => {
    regionOnsets.mockRejectedValue(new Error('away'))
    const { grid, onsets, snap } = desk()
    grid.value = 'onset'
    await nextTick()
    expect([onsets.value, snap(1300, false)]).toEqual([[], 1300])
  })
})

describe('the grid', () => {
  it('says how far an arrow key goes, and how wide a cell is', () => {
    const { grid, step, cell, cellName } = desk()
    expect([step(0), cell(0), cellName.value]).toEqual([960, 960, 'beat'])
    grid.value = 'bar'
    expect([step(0), cell(0), cellName.value]).toEqual([3840, 3840, 'bar'])
    grid.value = 'quarter-beat'
    expect([step(0), cell(0), cellName.value]).toEqual([240, 240, 'quarter beat'])
    for (const to of ['off', 'section'] as const) {
      grid.value = to
      expect([step(0), cell(0), cellName.value]).toEqual([120, 960, 'beat'])
    }
  })
})
