/** Web worker that makes a song's table of cross-energies, from which loudness follows without rendering. */
import type { AssetAudio, TrackProgram } from '@rudlo/core/engine'
import { crossEnergy, type CrossEnergy } from '@rudlo/core/instant'

export interface TableTask {
  readonly tracks: readonly Pick<TrackProgram, 'channels' | 'regions'>[]
  readonly audio: readonly (readonly [string, AssetAudio])[]
  /** In samples. */
  readonly length: number
}

self.onmessage = ({ data }: MessageEvent<TableTask>) => {
  const table: CrossEnergy | null = crossEnergy(data.tracks, new Map(data.audio), data.length)
  self.postMessage(table)
}
