/** Web worker that renders mixes and measures everything that checks look at. What was measured once is not rendered again. */
import type { AssetAudio, AudioStore } from '@rudlo/core/engine'
import {
  hear,
  hearPicture,
  RecentParts,
  type Heard,
  type Picture,
  type PictureAsked,
} from '@rudlo/core/heard'
import type { Mix } from '@rudlo/core/mix'
import type { SongVersion } from '@rudlo/core/song'
import { expose } from 'comlink'

export interface HearTask {
  readonly number: number
  readonly mix: Mix
  /** Whether a newer task makes this one needless. */
  readonly passing: boolean
}

let song: SongVersion | null = null
let audio: AudioStore = new Map()
let newest: Int32Array | null = null
const parts = new RecentParts()

type Progress = (share: number) => void

/** Tells of the progress, and gives a task up once a newer mix made it needless. */
const watching =
  ({ number, passing }: HearTask, progress: Progress) =>
  (share: number): boolean => {
    progress(share)
    return !passing || Atomics.load(newest!, 0) === number
  }

const api = {
  /** @param shared one number in shared memory: the newest mix that was asked for. An older one is given up. */
  begin(
    of: SongVersion,
    recordings: readonly (readonly [string, AssetAudio])[],
    shared: SharedArrayBuffer,
  ): void {
    song = of
    audio = new Map(recordings)
    newest = new Int32Array(shared)
  },

  /** @returns null where it was given up for a newer one */
  hear: (task: HearTask, progress: Progress): Heard | null =>
    hear(song!, task.mix, audio, parts, { onProgress: watching(task, progress) }),

  /** @returns null where it was given up for a newer mix */
  picture: (task: HearTask, asked: PictureAsked, progress: Progress): Picture | null =>
    hearPicture(song!, task.mix, audio, asked, parts, watching(task, progress)),
}
export type HearApi = typeof api
expose(api)
