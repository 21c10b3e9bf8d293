import { describe, expect, it } from 'vitest'
import { smallSong } from '../../test/songs'
import { overviewOf } from './overview'
import { coarsestBytes, songPicture } from './song-picture'

describe('the picture of a song', () => {
  it('knows where the coarsest zoom of an overview lies', () => {
    for (const frames of [0, 1, 256, 8192, 8193, 44_100, 441_001])
      expect(overviewOf([new Int16Array(frames)]).zooms.at(-1)!.length).toBe(coarsestBytes(frames))
  })

  it('rises where the song does, whichever track it is', () => {
    const song = smallSong()
    const asset = song.regions[0]!.asset
    const { frames } = song.assets.find((a) => a.id === asset)!
    const louder = new Int16Array(frames).map((_, i) => (i % 2 ? 1 : -1) * Math.round((i / frames) * 30_000))
    const picture = songPicture(song, new Map([[asset, overviewOf([louder]).zooms.at(-1)!]]), 8)
    const heard = picture.filter((p) => p > 0)
    expect(Math.max(...picture)).toBe(1)
    expect(heard).toEqual([...heard].sort((a, b) => a - b))
  })

  it('is flat for silence, and for recordings that are not here', () => {
    expect(songPicture(smallSong(), new Map(), 4)).toEqual([0, 0, 0, 0])
  })
})
