import { songTime } from '@rudlo/core/song'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { nextTick, reactive } from 'vue'
import { shortSong as song } from '../../../test/short-song'
import { moveStretches, useMoveTour } from './move-tour'

const state = vi.hoisted(() => ({ player: null as unknown }))
vi.mock('../../engine/player-store', () => ({ usePlayer: () => state.player }))

const BAR = 3840
const long = { ...song, length: 20 * BAR }
const time = songTime(long)
const move = (bar: number, bars = 1, lane = 'track/reed/level') => ({
  lane,
  start: (bar - 1) * BAR,
  end: (bar - 1 + bars) * BAR,
})

describe('moveStretches', () => {
  it('takes two bars around each move, inside the song', () => {
    expect(moveStretches([move(8)], time)).toEqual([
      { from: 5 * BAR, to: 10 * BAR, lanes: ['track/reed/level'] },
    ])
    expect(moveStretches([move(1), move(20)], time)).toMatchObject([
      { from: 0, to: 3 * BAR },
      { from: 17 * BAR, to: 20 * BAR },
    ])
  })

  it('makes one of those that touch, whatever their order', () => {
    const found = moveStretches([move(10, 2, 'track/pad/pan'), move(6)], time)
    expect(found).toEqual([{ from: 3 * BAR, to: 13 * BAR, lanes: ['track/reed/level', 'track/pad/pan'] }])
    expect(moveStretches([], time)).toEqual([])
  })
})

describe('the tour', () => {
  const player = reactive({
    position: 0,
    playing: false,
    loop: null,
    setLoop: vi.fn(),
    seek: vi.fn((tick: number) => (player.position = tick)),
    play: vi.fn(async () => void (player.playing = true)),
    stop: vi.fn(() => (player.playing = false)),
  })
  beforeEach(() => {
    setActivePinia(createPinia())
    Object.assign(player, { position: 0, playing: false })
    state.player = player
  })

  it('goes from move to move and ends after the last', async () => {
    const stretches = moveStretches([move(4), move(15)], time)
    const arrived = vi.fn()
    const tour = useMoveTour(() => stretches, arrived)
    await tour.start()
    expect([tour.at.value, player.position]).toEqual([0, stretches[0]!.from])
    player.position = stretches[0]!.to + 5
    await nextTick()
    expect([tour.at.value, player.position]).toEqual([1, stretches[1]!.from])
    player.position = stretches[1]!.to
    await nextTick()
    expect([tour.at.value, player.playing, arrived.mock.calls.length]).toEqual([null, false, 2])
  })

  it('begins with the next move from here, and ends when it is stopped', async () => {
    const stretches = moveStretches([move(4), move(15)], time)
    player.position = 9 * BAR
    const tour = useMoveTour(
      () => stretches,
      () => null,
    )
    await tour.start()
    expect(tour.at.value).toBe(1)
    player.playing = false
    await nextTick()
    expect(tour.at.value).toBeNull()
  })

  it('does nothing where nothing moves', async () => {
    const tour = useMoveTour(
      () => [],
      () => null,
    )
    await tour.start()
    expect([tour.at.value, player.playing]).toEqual([null, false])
  })
})
