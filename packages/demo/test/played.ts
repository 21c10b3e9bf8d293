import type { AssetAudio } from '@rudlo/core/engine'
import type { SongVersion } from '@rudlo/core/song'
import { playPart, songVersionOf, type PlayedPart, type Score } from '../src/songs'

/** A score as it sounds. */
export interface Played {
  readonly parts: readonly PlayedPart[]
  readonly song: SongVersion
  /** Recordings by the ids of their parts. */
  readonly audio: ReadonlyMap<string, AssetAudio>
}

const known = new Map<Score, Played>()

/** Plays a score, once for all tests of a process: it takes seconds. */
export function played(score: Score): Played {
  const before = known.get(score)
  if (before) return before
  const parts = score.parts.map((part) => playPart(score, part))
  const ids = score.parts.map((part) => part.id)
  const audio = new Map(
    parts.map(({ part, channels }) => [part.id, { channels, frames: channels[0]!.length }]),
  )
  const made = { parts, song: songVersionOf(score, parts, ids), audio }
  known.set(score, made)
  return made
}
