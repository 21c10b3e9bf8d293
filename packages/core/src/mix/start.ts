import type { SongVersion } from '../song'
import type { Mix } from './mix'

/** The plainest mix of a song: every region as recorded, every control at its initial setting, no lines. */
export function plainMix(song: SongVersion): Mix {
  return {
    format: 'rudlo-mix',
    version: 1,
    tracks: song.tracks.map(({ id }) => ({
      id,
      regions: song.regions
        .filter((r) => r.track === id)
        .map(({ id: region, asset, start, offset, length }) => ({
          id: region,
          asset,
          start,
          offset,
          length,
          level: 0,
          fadeIn: 0,
          fadeOut: 0,
        })),
      gain: 0,
      effects: [],
      mute: false,
      sends: [],
      level: 0,
      pan: 0,
      width: 1,
    })),
    returns: [],
    main: { level: 0 },
    envelopes: [],
    motifs: [],
    placements: [],
  }
}
