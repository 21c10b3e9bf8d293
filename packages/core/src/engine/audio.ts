/** Decoded audio of an asset: 16 bit samples, one array a channel, often over shared memory. */
export interface AssetAudio {
  readonly channels: readonly Int16Array[]
  readonly frames: number
}

/** Where the engine finds audio by the asset's id. Missing audio is silent. */
export type AudioStore = ReadonlyMap<string, AssetAudio>
