import { describe, expect, it } from 'vitest'
import { smallSong } from '../../test/songs'
import { point } from '../envelope'
import { checkMix } from '../validate'
import { mixForSong, plainMix, withPoints } from '.'

describe('a mix of another version of its song', () => {
  const song = smallSong()
  const level = (track: string) => `track/${track}/level`
  const before = song.tracks.reduce(
    (mix, { id }, i) => withPoints(mix, level(id), [point(0, -i), point(960, 0)], () => `e${i}`),
    plainMix(song),
  )

  it('stays as it is where nothing has changed', () => {
    expect(mixForSong(before, song)).toEqual(before)
  })

  it('loses the lines of a track that is gone, and has a new one plain', () => {
    const [first] = song.tracks
    const shorter = {
      ...song,
      tracks: [...song.tracks.slice(1), { ...first!, id: 'fresh' }],
      regions: song.regions.map((r) => (r.track === first!.id ? { ...r, track: 'fresh' } : r)),
    }
    const mix = mixForSong(before, shorter)
    expect(checkMix(mix, shorter)).toMatchObject({ ok: true })
    expect(mix.envelopes.map((e) => e.address)).toEqual(song.tracks.slice(1).map((t) => level(t.id)))
  })
})
