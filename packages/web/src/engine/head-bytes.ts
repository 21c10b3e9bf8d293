import type { AssetInfo } from '@rudlo/core/song'

const KIB = 1024
/** Of a short song: a second of loud stereo, three of what most instruments play. */
const LEAST = 64 * KIB
/** Of the longest ones: three seconds of loud stereo. */
const MOST = 256 * KIB
/** Samples of a song that are fetched and decoded in about a second, on a machine of two cores. */
const A_SECOND = 32_000_000

/**
 * How much of each recording of a song is fetched and decoded first, before anything is heard: enough to last until all of it is
 * there, and no more, since it is waited for.
 * @returns bytes of a FLAC file
 */
export function headBytes(assets: readonly Pick<AssetInfo, 'channels' | 'frames'>[]): number {
  const samples = assets.reduce((sum, { channels, frames }) => sum + channels * frames, 0)
  return Math.round(Math.min(MOST, Math.max(LEAST, (samples / A_SECOND) * LEAST)))
}
