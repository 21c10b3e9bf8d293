import { soundingOf, type Mix } from '@rudlo/core/mix'
import type { SongVersion } from '@rudlo/core/song'
import { MixMeter } from './mix-meter'
import { audioOf } from './song-audio'

/**
 * Renders and measures one mix in a worker of its own.
 * @returns its integrated loudness in LUFS; null for silence
 * @throws Error where the worker died
 */
export async function measureOnce(song: SongVersion, mix: Mix): Promise<number | null> {
  const sounding = soundingOf(song, mix)
  const audio = await audioOf(sounding)
  return new Promise((resolve, reject) => {
    const meter = new MixMeter(
      sounding.song,
      audio,
      ({ integrated }) => {
        meter.close()
        resolve(integrated)
      },
      () => null,
      reject,
    )
    meter.measure(sounding.mix)
  })
}
