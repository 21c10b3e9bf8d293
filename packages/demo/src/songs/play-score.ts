import { MeterMap } from '@rudlo/core/time'
import type { Part, Score } from './score'
import { playWritten, seedOf } from '@rudlo/core/players'

/** A part as sound: 16 bit samples, one array a channel, from the start of the song. */
export interface PlayedPart {
  readonly part: Part
  readonly channels: readonly Int16Array[]
}

/** Length of a score in ticks. */
export function scoreTicks(score: Score): number {
  return new MeterMap(score.meter).barStart(score.bars + 1)
}

/** Plays one part of a score. Deterministic. */
export function playPart(score: Score, part: Part): PlayedPart {
  const { id, freedom, peak, notes } = part
  const written = {
    freedom,
    peak,
    seed: seedOf(id, notes.length),
    notes: notes.map((n) => [n.at, n.quarters, n.pitch, n.strength] as const),
  }
  return { part, channels: playWritten(written, part.instrument, score.tempo, scoreTicks(score)) }
}
