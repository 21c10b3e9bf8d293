import { point } from '@rudlo/core/envelope'
import { envelopeOf, plainMix, trackLevel, withLane, withPoints, type Mix } from '@rudlo/core/mix'
import { songTime, type SongVersion } from '@rudlo/core/song'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { nextTick, reactive } from 'vue'
import { shortSong } from '../../../test/short-song'
import { useRegionMoves } from './region-moves'

const LEVEL = trackLevel('reed')
const asset = 'a'.repeat(64)
/** Two bars long, from the first bar on. */
const song: SongVersion = {
  ...shortSong,
  regions: [{ id: 'r', track: 'reed', asset, start: 0, offset: 0, length: 4 * 44_100 }],
  assets: [{ id: asset, channels: 1, frames: 4 * 44_100 }],
}
const stores = vi.hoisted(() => ({
  work: {} as Record<string, unknown>,
  desk: {} as Record<string, unknown>,
}))
vi.mock('../../document/work-store', () => ({ useWork: () => stores.work }))
vi.mock('../desk-store', () => ({ useDesk: () => stores.desk }))

/** A work as the regions know it: what is shown while it is asked, and the steps that were made. */
function makeWork(start: Mix) {
  const work = reactive({
    mix: start as Mix,
    base: null as Mix | null,
    history: { done: [] as unknown[] },
    steps: [] as string[],
    begin: () => (work.base ??= work.mix),
    previewMix: (make: (mix: Mix) => Mix) => (work.mix = make(work.base!)),
    commit: ({ label }: { label: string }) => {
      work.base = null
      work.steps.push(label)
    },
    cancel: () => {
      work.mix = work.base ?? work.mix
      work.base = null
    },
    setMix: (make: (mix: Mix) => Mix, { label }: { label: string }) => {
      work.mix = make(work.mix)
      work.steps.push(label)
    },
  })
  stores.work = work
  return work
}

const plain = plainMix(song)
const drawn = withPoints(plain, LEVEL, [point(0, -20), point(3840, 0)], () => 'line')
const region = plain.tracks[0]!.regions[0]!
const startsOf = (mix: Mix) => mix.tracks[0]!.regions.map((r) => r.start)

beforeEach(() => {
  setActivePinia(createPinia())
  const kept = new Map<string, string>()
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
    removeItem: (key: string) => void kept.delete(key),
  })
  stores.desk = { song, time: songTime(song) }
})
afterEach(() => vi.unstubAllGlobals())

describe('a region that is dropped elsewhere', () => {
  it('goes there at once where the track has no lines', () => {
    const work = makeWork(plain)
    const moves = useRegionMoves()
    moves.drop(region, 'reed', 3840)
    expect([moves.asked.value, startsOf(work.mix)]).toEqual([null, [3840]])
    expect(work.steps).toEqual(['Moved a region on Reed'])
  })

  it('asks about the lines first, and shows both answers', () => {
    const work = makeWork(drawn)
    const moves = useRegionMoves()
    moves.drop(region, 'reed', 3840)
    expect(moves.asked.value).not.toBeNull()
    // moved along: the line begins a bar later
    expect(envelopeOf(work.mix, LEVEL)!.points.some((p) => p.tick === 2 * 3840 && p.value === 0)).toBe(true)
    moves.show('left')
    expect(envelopeOf(work.mix, LEVEL)!.points).toEqual(envelopeOf(drawn, LEVEL)!.points)
    expect([startsOf(work.mix), work.steps]).toEqual([[3840], []])
    moves.answer('left')
    expect([moves.asked.value, work.steps]).toEqual([null, ['Moved a region on Reed']])
  })

  it('takes its lines along where that is the answer, and says so', () => {
    const work = makeWork(drawn)
    const moves = useRegionMoves()
    moves.drop(region, 'reed', 7680, true)
    moves.answer('copied')
    expect(startsOf(work.mix)).toEqual([0, 7680])
    expect(work.steps).toEqual(['Copied a region on Reed, with a copy of its lines'])
    const { points } = envelopeOf(work.mix, LEVEL)!
    expect(points.some((p) => p.tick === 7680 + 3840 && p.value === 0)).toBe(true)
    expect(points.find((p) => p.tick === 0)!.value).toBe(-20)
  })

  it('stays where it was where the question is given up', () => {
    const work = makeWork(drawn)
    const moves = useRegionMoves()
    moves.drop(region, 'reed', 3840)
    moves.cancel()
    expect([moves.asked.value, startsOf(work.mix), work.steps]).toEqual([null, [0], []])
    moves.cancel()
    moves.answer('left')
    moves.show('left')
    expect(work.steps).toEqual([])
  })

  it('is not asked about again where the answer is remembered, until that is forgotten', () => {
    const work = makeWork(drawn)
    const moves = useRegionMoves()
    moves.remember.value = true
    moves.drop(region, 'reed', 3840)
    moves.answer('moved')
    expect(moves.remembered()).toBe('moved')
    moves.drop(work.mix.tracks[0]!.regions[0]!, 'reed', 3840)
    expect([moves.asked.value, work.steps.length, startsOf(work.mix)]).toEqual([null, 2, [7680]])
    moves.askAgain()
    moves.drop(work.mix.tracks[0]!.regions[0]!, 'reed', -3840)
    expect(moves.asked.value).not.toBeNull()
  })

  it('is not asked about where the only line is locked', () => {
    const work = makeWork(withLane(drawn, LEVEL, { open: false }))
    const moves = useRegionMoves()
    moves.drop(region, 'reed', 3840)
    expect([moves.asked.value, work.steps.length]).toEqual([null, 1])
  })

  it('is not asked about any more once something else was done', async () => {
    const work = makeWork(drawn)
    const moves = useRegionMoves()
    moves.drop(region, 'reed', 3840)
    work.history = { done: [{}] }
    await nextTick()
    expect(moves.asked.value).toBeNull()
  })
})

describe('a region', () => {
  it('is split where the play position is, and taken away', () => {
    const work = makeWork(plain)
    const moves = useRegionMoves()
    moves.split(region, 'reed', 3840.4)
    expect(work.mix.tracks[0]!.regions.map((r) => [r.start, r.length])).toEqual([
      [0, 2 * 44_100],
      [3840, 2 * 44_100],
    ])
    moves.remove(work.mix.tracks[0]!.regions[1]!, 'reed')
    expect(startsOf(work.mix)).toEqual([0])
    expect(work.steps).toEqual(['Split a region on Reed', 'Removed a region on Reed'])
  })
})
