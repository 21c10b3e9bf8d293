/** Web worker that makes a song's table of cross-energies, from which loudness follows without rendering. */
import type { AssetAudio, TrackProgram } from '@rudlo/core/engine'
import { crossEnergy, type CrossEnergy } from '@rudlo/core/instant'
import { expose } from 'comlink'

export interface TableTask {
  readonly tracks: readonly Pick<TrackProgram, 'channels' | 'regions'>[]
  readonly audio: readonly (readonly [string, AssetAudio])[]
  /** In samples. */
  readonly length: number
}

const api = {
  /** @returns null where the song is none that a table can be made of */
  table: ({ tracks, audio, length }: TableTask): CrossEnergy | null =>
    crossEnergy(tracks, new Map(audio), length),
}
export type TableApi = typeof api
expose(api)
