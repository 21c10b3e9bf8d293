import type { Remote } from 'comlink'
import type { FoundTempo } from '@rudlo/core/analysis'
import type { AssetAudio } from '@rudlo/core/engine'
import type { SongVersion } from '@rudlo/core/song'
import { MeterMap, TempoMap } from '@rudlo/core/time'
import { loadAudio } from '../../engine/asset-loader'
import { WorkerHost } from '../../engine/worker-host'
import type { AnalyseApi } from './analyse.worker'

/** Listens to the recordings of a song in a worker. */
export class Analyser {
  readonly #worker = new WorkerHost<AnalyseApi>(
    () => new Worker(new URL('./analyse.worker.ts', import.meta.url), { type: 'module' }),
  )

  /** The steady tempo that can be heard; null where none can. */
  async tempo(song: SongVersion): Promise<FoundTempo | null> {
    const audio = await loadAudio(song.assets, () => null)
    return this.#worker.ask(async (remote) => remote.tempo(await outlines(remote, song, audio)))
  }

  /** Bars, from 1, at which sections seem to begin. */
  async sections(song: SongVersion): Promise<number[]> {
    const audio = await loadAudio(song.assets, () => null)
    const time = new TempoMap(song.tempo)
    const meter = new MeterMap(song.meter)
    const start = time.secondsAt(song.regions[0]?.start ?? 0)
    const count = meter.placeAt(song.length - 1).bar
    const bars = Array.from({ length: count + 1 }, (_, i) =>
      Math.max(0, time.secondsAt(meter.barStart(i + 1)) - start),
    )
    const found = await this.#worker.ask(async (remote) =>
      remote.sections(await outlines(remote, song, audio), bars),
    )
    return found.map((b) => b + 1)
  }

  close(): void {
    this.#worker.close()
  }
}

/** Has everything of a song listened to; a fresh worker has heard nothing yet. @returns the recordings of its regions */
async function outlines(
  remote: Remote<AnalyseApi>,
  song: SongVersion,
  audio: readonly (readonly [string, AssetAudio])[],
): Promise<string[]> {
  for (const [id, { channels }] of audio) await remote.outline(id, channels)
  return song.regions.map((r) => r.asset)
}
