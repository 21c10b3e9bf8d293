import { plainMix, trackLevel, withPoints } from '@rudlo/core/mix'
import { point } from '@rudlo/core/envelope'
import { createPinia, setActivePinia } from 'pinia'
import { describe, expect, it, onTestFinished } from 'vitest'
import { shortSong } from '../../test/short-song'
import { usePlayer } from './player-store'

const BAR = 3840
const mix = plainMix(shortSong)

/** A player of one's own in which a song is open, with the real audio thread. */
async function opened() {
  setActivePinia(createPinia())
  const player = usePlayer()
  await player.open(shortSong, mix)
  onTestFinished(() => player.close())
  expect(player.failure).toBeNull()
  expect(player.ready).toBe(true)
  return player
}

describe('the player', () => {
  it('plays from where it is, stops, and stays there', async () => {
    const player = await opened()
    expect(player.position).toBe(0)
    await player.play()
    await expect.poll(() => player.playing).toBe(true)
    await expect.poll(() => player.seconds).toBeGreaterThan(0.2)
    expect(player.blocks()).toBeGreaterThan(0)
    player.stop()
    await expect.poll(() => player.playing).toBe(false)
    const at = player.seconds
    await new Promise((resolve) => setTimeout(resolve, 200))
    expect(player.seconds).toBeCloseTo(at, 1)
  })

  it('lets the sound rest once nothing was heard for a while, goes to places all the same, and sounds again', async () => {
    const player = await opened()
    await player.play()
    await expect.poll(() => player.seconds).toBeGreaterThan(0.1)
    player.stop()
    const rests = async () => {
      const before = player.blocks()
      await new Promise((resolve) => setTimeout(resolve, 300))
      return player.blocks() === before
    }
    expect(await rests()).toBe(false)
    await expect.poll(rests, { timeout: 15_000 }).toBe(true)
    player.seek(2 * BAR)
    await new Promise((resolve) => setTimeout(resolve, 600))
    expect(player.seconds).toBe(4)
    await player.play()
    await expect.poll(() => player.seconds).toBeGreaterThan(4.2)
  })

  it('goes to a place, never beyond the song', async () => {
    const player = await opened()
    player.seek(2 * BAR)
    expect([player.position, player.seconds]).toEqual([2 * BAR, 4])
    player.seek(400 * BAR)
    expect(player.seconds).toBe(8)
    player.seek(-1)
    expect(player.seconds).toBe(0)
  })

  it('plays a stretch round and round', async () => {
    const player = await opened()
    player.playLoop({ from: BAR, to: BAR + 960 })
    await expect.poll(() => player.playing).toBe(true)
    expect(player.looping).toBe(true)
    for (let i = 0; i < 12; i++) {
      await new Promise((resolve) => setTimeout(resolve, 100))
      expect(player.position).toBeGreaterThanOrEqual(BAR)
      expect(player.position).toBeLessThanOrEqual(BAR + 960)
    }
    player.setLoop(player.loop, false)
    await expect.poll(() => player.position).toBeGreaterThan(BAR + 960)
  })

  it('listens to some alone, one more or one only', async () => {
    const player = await opened()
    player.toggleSolo('tracks', 'reed', false)
    player.toggleSolo('returns', 'hall', false)
    expect(player.solo).toEqual({ tracks: ['reed'], returns: ['hall'] })
    player.toggleSolo('tracks', 'reed', true)
    expect(player.solo).toEqual({ tracks: [], returns: [] })
    player.toggleSolo('tracks', 'reed', true)
    expect(player.solo).toEqual({ tracks: ['reed'], returns: [] })
  })

  it('takes a changed mix over while it plays, and measures it when the hand rests', async () => {
    const player = await opened()
    await player.play()
    await expect.poll(() => player.seconds).toBeGreaterThan(0)
    player.load(withPoints(mix, trackLevel('reed'), [point(0, -90)], () => 'line'))
    await expect.poll(() => player.measured).not.toBeNull()
    expect(player.playing).toBe(true)
  })

  it('that is closed is as it was before, and one that was left behind changes nothing', async () => {
    const player = await opened()
    player.seek(BAR)
    player.setMoves(false)
    await player.close()
    expect(player).toMatchObject({ ready: false, playing: false, position: 0, moves: true, loop: null })
    // of two that are opened one after the other the last one counts
    await Promise.all([player.open(shortSong, mix), player.open(shortSong, mix)])
    await expect.poll(() => player.ready).toBe(true)
    // and is heard: it has the sound to itself
    await player.play()
    await expect.poll(() => player.seconds).toBeGreaterThan(0.1)
  })

  it('says why a song cannot be heard', async () => {
    setActivePinia(createPinia())
    const player = usePlayer()
    const missing = { id: 'f'.repeat(64), frames: 10, channels: 1 as const }
    await player.open({ ...shortSong, assets: [missing] }, mix)
    await expect.poll(() => player.failure).toBeTruthy()
    expect(player.ready).toBe(false)
  })

  it('begins as soon as it can where play was pressed before that', async () => {
    setActivePinia(createPinia())
    const player = usePlayer()
    const coming = player.open(shortSong, mix)
    void player.play()
    await expect.poll(() => player.wished || player.playing).toBe(true)
    await coming
    await expect.poll(() => player.seconds).toBeGreaterThan(0.05)
    expect(player.wished).toBe(false)
    await player.close()
  })
})
