import type { SongVersion } from '../song'
import { resolve, TEMPO } from './address'
import type { Mix } from './mix'
import { plainMix } from './start'

/**
 * A mix of another version of a song, made to fit this one: what is said of tracks that are still there stays, with recordings
 * where they lie now; new tracks are plain; lines and motifs of what is gone go with it.
 */
export function mixForSong(mix: Mix, song: SongVersion): Mix {
  const before = new Map(mix.tracks.map((t) => [t.id, t]))
  const fitted: Mix = {
    ...mix,
    tracks: plainMix(song).tracks.map((plain) => {
      const was = before.get(plain.id)
      return was ? { ...was, regions: plain.regions } : plain
    }),
  }
  const envelopes = mix.envelopes.filter((e) => e.address === TEMPO || resolve(fitted, e.address))
  const kept = new Set(envelopes.map((e) => e.id))
  const placements = mix.placements.filter((p) => kept.has(p.envelope))
  return { ...fitted, envelopes, placements }
}
