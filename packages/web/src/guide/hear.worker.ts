/** Web worker that renders mixes and measures everything that checks look at. What was measured once is not rendered again. */
import type { AssetAudio } from '@rudlo/core/engine'
import { hear, RecentParts, type Heard } from '@rudlo/core/heard'
import type { Mix } from '@rudlo/core/mix'
import type { SongVersion } from '@rudlo/core/song'

export interface HearStart {
  readonly song: SongVersion
  readonly audio: readonly (readonly [string, AssetAudio])[]
  /** One number in shared memory: the newest mix that was asked for. An older one is given up. */
  readonly newest: SharedArrayBuffer
}

export interface HearTask {
  readonly number: number
  readonly mix: Mix
  /** Whether a newer task makes this one needless. */
  readonly passing: boolean
}

export type HearAnswer =
  | { readonly kind: 'progress'; readonly number: number; readonly share: number }
  | { readonly kind: 'heard'; readonly number: number; readonly heard: Heard | null }

let start: HearStart | null = null
let newest: Int32Array | null = null
const parts = new RecentParts()
const answer = (message: HearAnswer) => self.postMessage(message)

self.onmessage = ({ data }: MessageEvent<HearStart | HearTask>) => {
  if ('song' in data) {
    start = data
    newest = new Int32Array(data.newest)
    return
  }
  const { number, mix, passing } = data
  const heard = hear(start!.song, mix, new Map(start!.audio), parts, (share) => {
    answer({ kind: 'progress', number, share })
    return !passing || Atomics.load(newest!, 0) === number
  })
  answer({ kind: 'heard', number, heard })
}
