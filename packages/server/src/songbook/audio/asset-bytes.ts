/** What is kept of audio: finding its name and its overview takes a while, for worker threads. */
import { overviewOf, packOverview } from '@rudlo/core/exchange'
import { assetId } from './asset-id'
import { encodeFlac } from './flac-encoder'

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
  const flac = encodeFlac(channels)
  return {
    id: assetId(channels),
    channels: channels.length === 2 ? 2 : 1,
    frames: channels[0]!.length,
    overview: packOverview(overviewOf(channels)),
    flac: await flac,
  }
}
