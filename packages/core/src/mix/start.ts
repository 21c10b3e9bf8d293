import type { SongVersion } from '../song'
import { freshEffect } from './chains'
import { lineInCharge } from './lanes'
import type { Mix, TrackMix } from './mix'

/** Id of the effect that holds how a track is played. */
export const playingOf = (track: string) => `playing-${track}`.slice(0, 64)

/**
 * The plainest mix of a song: every region as recorded, every control at its initial setting, no lines. A track that was
 * played from notes has how it is played at hand, at rest.
 */
export function plainMix(song: SongVersion): Mix {
  return {
    format: 'rudlo-mix',
    version: 1,
    tracks: song.tracks.map(({ id, played }) => ({
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
      effects: played ? [freshEffect('playing', playingOf(id))] : [],
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

/** Whether effects make anything of a track: how it is played, at rest, does not. */
export function isColoured(mix: Mix, { effects }: TrackMix): boolean {
  return effects.some(
    ({ id, kind, params }) =>
      kind !== 'playing' ||
      Object.entries(params).some(
        ([word, value]) => value !== 0 || lineInCharge(mix, `effect/${id}/${word}`),
      ),
  )
}
