import type { FoundTempo } from '@rudlo/core/analysis'
import type { SongVersion } from '@rudlo/core/song'
import { MeterMap, TempoMap } from '@rudlo/core/time'
import { loadAudio } from '../audio/asset-loader'
import type { AnalyseAnswer, AnalyseTask } from './analyse.worker'

/** Listens to the recordings of a song in a worker. One question at a time. */
export class Analyser {
  readonly #worker = new Worker(new URL('./analyse.worker.ts', import.meta.url), { type: 'module' })
  #waiting: Promise<unknown> = Promise.resolve()

  /** The steady tempo that can be heard; null where none can. */
  async tempo(song: SongVersion): Promise<FoundTempo | null> {
    const ids = await this.#outlines(song)
    const answer = await this.#ask({ kind: 'tempo', ids, beats: song.meter[0]!.beats })
    return answer.kind === 'tempo' ? answer.tempo : null
  }

  /** Bars, from 1, at which sections seem to begin. */
  async sections(song: SongVersion): Promise<number[]> {
    const ids = await this.#outlines(song)
    const time = new TempoMap(song.tempo)
    const meter = new MeterMap(song.meter)
    const start = time.secondsAt(song.regions[0]?.start ?? 0)
    const count = meter.placeAt(song.length - 1).bar
    const bars = Array.from({ length: count + 1 }, (_, i) =>
      Math.max(0, time.secondsAt(meter.barStart(i + 1)) - start),
    )
    const answer = await this.#ask({ kind: 'sections', ids, bars })
    return answer.kind === 'sections' ? answer.bars.map((b) => b + 1) : [1]
  }

  close(): void {
    this.#worker.terminate()
  }

  async #outlines(song: SongVersion): Promise<string[]> {
    for (const [id, { channels }] of await loadAudio(song.assets, () => null))
      await this.#ask({ kind: 'outline', id, channels })
    return song.regions.map((r) => r.asset)
  }

  #ask(task: AnalyseTask): Promise<AnalyseAnswer> {
    const mine = this.#waiting.then(
      () =>
        new Promise<AnalyseAnswer>((resolve, reject) => {
          this.#worker.onmessage = ({ data }: MessageEvent<AnalyseAnswer>) => resolve(data)
          this.#worker.onerror = () => reject(new Error('The recordings could not be listened to.'))
          this.#worker.postMessage(task)
        }),
    )
    this.#waiting = mine.catch(() => null)
    return mine
  }
}
