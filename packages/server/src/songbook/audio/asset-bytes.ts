/** What is kept of audio: finding its name and its overview takes a while, for worker threads. */
import { overviewOf, packOverview } from '@rudlo/core/exchange'
import { assetId } from './asset-id'
import { encodeFlac } from './flac-encoder'

/** What is known of audio that is kept. */
export interface AssetFacts {
  /** Its name: see {@link assetId}. */
  readonly id: string
  readonly channels: 1 | 2
  readonly frames: number
  /** The waveform overview, packed. */
  readonly overview: Uint8Array
}

/** Audio as it is kept. */
export interface AssetBytes extends AssetFacts {
  readonly flac: Uint8Array
}

/** The same in a file on this machine: that of a long song is large, and is kept piece after piece. */
export interface AssetFile extends AssetFacts {
  readonly file: string
  /** Of the file. */
  readonly bytes: number
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
