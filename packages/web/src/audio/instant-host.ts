import { compileMix, type AssetAudio } from '@rudlo/core/engine'
import { InstantLoudness, type CrossEnergy } from '@rudlo/core/instant'
import { plainMix, type Mix } from '@rudlo/core/mix'
import type { SongVersion } from '@rudlo/core/song'
import type { TableTask } from './table.worker'

/** Whether the loudness of a mix follows from the table alone: it uses no effects and no sends. */
export function isDry(mix: Mix): boolean {
  return mix.tracks.every((t) => !t.effects.length && !t.sends.length)
}

/** Makes instant loudness for a song in a worker. */
export class InstantHost {
  readonly #worker = new Worker(new URL('./table.worker.ts', import.meta.url), { type: 'module' })

  constructor(
    song: SongVersion,
    audio: readonly (readonly [string, AssetAudio])[],
    onReady: (instant: InstantLoudness) => void,
  ) {
    const { tracks, length, tempo } = compileMix(song, plainMix(song))
    this.#worker.onmessage = ({ data }: MessageEvent<CrossEnergy | null>) => {
      if (data) onReady(new InstantLoudness(data, tempo))
      this.close()
    }
    const parts = tracks.map(({ channels, regions }) => ({ channels, regions }))
    this.#worker.postMessage({ tracks: parts, audio, length } satisfies TableTask)
  }

  close(): void {
    this.#worker.terminate()
  }
}
