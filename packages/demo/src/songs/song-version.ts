import type { SongRegion, SongVersion } from '@rudlo/core/song'
import { SAMPLE_RATE, TempoMap } from '@rudlo/core/time'
import { scoreTicks, type PlayedPart } from './play-score'
import type { Score } from './score'
import { soundingStretches } from './sounding'
import { writtenPart } from './written-part'

/** A song as it is kept: a score that was played, its parts cut into regions where they sound. @param assets ids of the parts' audio */
export function songVersionOf(
  score: Score,
  played: readonly PlayedPart[],
  assets: readonly string[],
): SongVersion {
  const tempo = new TempoMap(score.tempo)
  return {
    format: 'rudlo-song',
    version: 1,
    title: score.title,
    length: scoreTicks(score),
    tempo: score.tempo,
    meter: score.meter,
    sections: score.sections,
    tracks: score.parts.map((part) => {
      const { id, name, role, channels } = part
      const written = writtenPart(part)
      return { id, name, role, channels, ...(written ? { part: written } : {}) }
    }),
    regions: played.flatMap(({ part, channels }, p) =>
      soundingStretches(channels).map(({ from, to }, i): SongRegion => {
        // a region starts on a tick; the audio is cut at the sample that the tick falls on
        const start = Math.floor(tempo.tickAt(from / SAMPLE_RATE))
        const offset = Math.round(tempo.secondsAt(start) * SAMPLE_RATE)
        return {
          id: `${part.id}-${i + 1}`,
          track: part.id,
          asset: assets[p]!,
          start,
          offset,
          length: to - offset,
        }
      }),
    ),
    assets: played.map(({ part, channels }, p) => ({
      id: assets[p]!,
      channels: part.channels,
      frames: channels[0]!.length,
    })),
  }
}
