/** Decoded audio of an asset: 16 bit samples, one array a channel, often over shared memory. */
export interface AssetAudio {
  readonly channels: readonly Int16Array[]
  readonly frames: number
  /**
   * How many samples of each channel are there by now, from the start, in memory that all threads share; where it is not said,
   * all are. What is there never changes.
   */
  readonly arrived?: Int32Array
}

/** Where the engine finds audio by the asset's id. Missing audio is silent. */
export type AudioStore = ReadonlyMap<string, AssetAudio>
