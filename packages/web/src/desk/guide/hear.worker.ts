/** Web worker that renders mixes and measures everything that checks look at. What was measured once is not rendered again. */
import type { AssetAudio, AudioStore } from '@rudlo/core/engine'
import {
  balancePicture,
  hear,
  hearBands,
  hearBuild,
  hearFade,
  RecentParts,
  type BalancePicture,
  type BuildPicture,
  type FadePicture,
  type Heard,
} from '@rudlo/core/heard'
import type { Mix } from '@rudlo/core/mix'
import type { Move } from '@rudlo/core/moves'
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
    hear(song!, task.mix, audio, parts, watching(task, progress)),

  /** @returns the picture of a fade; null where it was given up for a newer mix */
  fade: (task: HearTask, move: Move, progress: Progress): FadePicture | null =>
    hearFade(song!, task.mix, audio, move, parts, watching(task, progress)),

  /** @returns the picture of a build between two ticks; null where it was given up for a newer mix */
  build(task: HearTask, stretch: { from: number; to: number }, progress: Progress): BuildPicture | null {
    const go = watching(task, progress)
    const heard = hear(song!, task.mix, audio, parts, (share) => go(share / 2))
    return heard && hearBuild(song!, task.mix, audio, stretch, heard, parts, (share) => go((1 + share) / 2))
  },

  /** @returns how the tracks stand to each other; null where it was given up for a newer mix */
  balance(task: HearTask, progress: Progress): BalancePicture | null {
    const go = watching(task, progress)
    const heard = hear(song!, task.mix, audio, parts, (share) => go(share / 2))
    const bands = heard && hearBands(song!, task.mix, audio, (share) => go((1 + share) / 2))
    return heard && bands && balancePicture(song!, heard, bands)
  },
}
export type HearApi = typeof api
expose(api)
