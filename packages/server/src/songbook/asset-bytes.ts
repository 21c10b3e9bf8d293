/** What is kept of audio, made in a worker thread: finding its name, its overview and its FLAC file takes seconds. */
import { overviewOf, packOverview } from '@rudlo/core/exchange'
import { assetId } from './asset-id'
import { encodeFlac, ready } from './flac-encoder'

/** Audio as it is kept. */
export interface AssetBytes {
  /** Its name: see {@link assetId}. */
  readonly id: string
  readonly channels: 1 | 2
  readonly frames: number
  readonly flac: Uint8Array
  /** The waveform overview, packed. */
  readonly overview: Uint8Array
}

/** Makes of samples (16 bit, 44.1 kHz) what is kept of them. */
export async function assetOf(channels: readonly Int16Array[]): Promise<AssetBytes> {
  await ready
  return {
    id: assetId(channels),
    channels: channels.length === 2 ? 2 : 1,
    frames: channels[0]!.length,
    flac: encodeFlac(channels),
    overview: packOverview(overviewOf(channels)),
  }
}
