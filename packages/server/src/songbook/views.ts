import type { SongEntry } from '@rudlo/contract/songbook'
import { songTime, type SongVersion } from '@rudlo/core/song'

/** What follows from the version of a song alone. */
export type SongLooks = Pick<SongEntry, 'seconds' | 'bpm' | 'meter' | 'tracks' | 'sections' | 'picture'>

export function songLooks(song: SongVersion, picture: readonly number[]): SongLooks {
  const { tempo, length } = songTime(song)
  const seconds = tempo.secondsAt(length)
  const [meter] = song.meter
  return {
    seconds: Math.round(seconds),
    bpm: Math.round((song.tempo[0]?.bpm ?? 0) * 10) / 10,
    meter: meter ? `${meter.beats}/${meter.unit}` : '',
    tracks: song.tracks.length,
    sections: song.sections.map(({ letter, name, tick }) => ({
      letter,
      name,
      at: seconds > 0 ? Math.round((tempo.secondsAt(tick) / seconds) * 1000) / 1000 : 0,
    })),
    picture,
  }
}
