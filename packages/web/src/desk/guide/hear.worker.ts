/** Web worker that renders mixes and measures everything that checks look at. What was measured once is not rendered again. */
import type { AssetAudio, AudioStore } from '@rudlo/core/engine'
import { hear, RecentParts, type Heard } from '@rudlo/core/heard'
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
  hear: ({ number, mix, passing }: HearTask, progress: (share: number) => void): Heard | null =>
    hear(song!, mix, audio, parts, (share) => {
      progress(share)
      return !passing || Atomics.load(newest!, 0) === number
    }),
}
export type HearApi = typeof api
expose(api)
