/** Worker thread that renders a hand-in and measures it. */
import { assessWork, type Assessed, type ToAssess } from '@rudlo/core/brief'
import type { AssetAudio, AudioStore } from '@rudlo/core/engine'
import { RecentParts } from '@rudlo/core/heard'
import { inTempo, soundingOf, type Mix } from '@rudlo/core/mix'
import { playedAnew } from '@rudlo/core/players'
import { readMix, readWork } from '@rudlo/core/stored'
import { figuresOf } from '@rudlo/core/term'
import { answering } from './answering'

/** A mix as it is stored: by itself, or in the document of a work. */
export type StoredMix = { readonly mix: string } | { readonly work: string }

/**
 * A work to measure and assess. Mixes come as they are stored: reading them takes its time, and this thread has it. `audio`
 * holds the song's recordings by asset id, in shared memory.
 */
export interface MeasureTask extends Omit<ToAssess, 'start' | 'mix'> {
  readonly start: StoredMix
  readonly mix: StoredMix
  readonly audio: AudioStore
}

/** What was found, as it is stored: writing it down takes its time as well. */
export interface Measured {
  readonly measurement: string
  readonly assessment: string
  /** What a term is told from. */
  readonly figures: string
}

const read = (stored: StoredMix): Mix => ('mix' in stored ? readMix(stored.mix) : readWork(stored.work).mix)

/**
 * The recordings of the song that was measured last: what was found out about a recording is remembered with the object,
 * and every message brings new objects for the same memory.
 */
let recordings = new Map<string, AssetAudio>()
/** Parts of mixes that were measured before: hand-ins of one song share most of them. */
const parts = new RecentParts()

function assessed({ audio, ...task }: MeasureTask): Assessed {
  recordings = new Map([...audio].map(([id, sent]) => [id, recordings.get(id) ?? sent]))
  const start = read(task.start)
  const { song, mix, anew } = soundingOf(task.song, read(task.mix))
  if (!anew) return assessWork({ ...task, song, start, mix }, recordings, parts)!
  // in a tempo of its own: played anew, and nobody else's parts are like its own
  const inIt = { ...task, song, start: inTempo(task.song, start, anew).mix, mix }
  return assessWork(inIt, playedAnew(song), new RecentParts())!
}

function measure(task: MeasureTask): Measured {
  const { measurement, assessment } = assessed(task)
  return {
    measurement: JSON.stringify(measurement),
    assessment: JSON.stringify(assessment),
    figures: JSON.stringify(figuresOf(assessment)),
  }
}

export default answering<MeasureTask, Measured>(measure)
