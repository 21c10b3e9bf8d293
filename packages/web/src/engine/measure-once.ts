import type { Mix } from '@rudlo/core/mix'
import type { SongVersion } from '@rudlo/core/song'
import { loadAudio } from './asset-loader'
import { MixMeter } from './mix-meter'

/**
 * Renders and measures one mix in a worker of its own.
 * @returns its integrated loudness in LUFS; null for silence
 * @throws Error where the worker died
 */
export async function measureOnce(song: SongVersion, mix: Mix): Promise<number | null> {
  const audio = await loadAudio(song.assets, () => null)
  return new Promise((resolve, reject) => {
    const meter = new MixMeter(
      song,
      audio,
      ({ integrated }) => {
        meter.close()
        resolve(integrated)
      },
      () => null,
      reject,
    )
    meter.measure(mix)
  })
}
