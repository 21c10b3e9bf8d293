/** Worker thread that renders a hand-in and measures it. */
import { assessWork, type Assessed, type ToAssess } from '@rudlo/core/brief'
import type { AssetAudio, AudioStore } from '@rudlo/core/engine'
import { RecentParts } from '@rudlo/core/heard'
import { answering } from './answering'

/** A work to measure and assess. `audio` holds the song's recordings by asset id, in shared memory. */
export interface MeasureTask extends ToAssess {
  readonly audio: AudioStore
}

/**
 * The recordings of the song that was measured last: what was found out about a recording is remembered with the object,
 * and every message brings new objects for the same memory.
 */
let recordings = new Map<string, AssetAudio>()
/** Parts of mixes that were measured before: hand-ins of one song share most of them. */
const parts = new RecentParts()

function measure({ audio, ...task }: MeasureTask): Assessed {
  recordings = new Map([...audio].map(([id, sent]) => [id, recordings.get(id) ?? sent]))
  return assessWork(task, recordings, parts)!
}

answering<MeasureTask, Assessed>(measure)
