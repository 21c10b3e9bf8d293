import type { Heard } from '@rudlo/core/heard'
import type { Mix } from '@rudlo/core/mix'
import type { SongVersion } from '@rudlo/core/song'
import { loadAudio } from '../audio/asset-loader'
import type { HearAnswer, HearStart, HearTask } from './hear.worker'

/** The page's end of the worker that hears mixes. */
export class HearHost {
  readonly #newest = new Int32Array(new SharedArrayBuffer(4))
  readonly #waiting = new Map<number, (heard: Heard | null) => void>()
  #worker: Promise<Worker> | null = null
  #number = 0
  #closed = false

  constructor(
    private readonly song: SongVersion,
    private readonly onProgress: (share: number) => void,
  ) {}

  /**
   * Renders a mix and measures it.
   * @param passing whether a newer mix makes this one needless
   * @returns null where it was given up
   */
  async hear(mix: Mix, passing: boolean): Promise<Heard | null> {
    const number = ++this.#number
    if (passing) Atomics.store(this.#newest, 0, number)
    this.#worker ??= this.#start()
    const worker = await this.#worker
    if (this.#closed) return null
    return new Promise((resolve) => {
      this.#waiting.set(number, resolve)
      worker.postMessage({ number, mix, passing } satisfies HearTask)
    })
  }

  async #start(): Promise<Worker> {
    const audio = await loadAudio(this.song.assets, () => undefined)
    const worker = new Worker(new URL('./hear.worker.ts', import.meta.url), { type: 'module' })
    worker.onmessage = ({ data }: MessageEvent<HearAnswer>) => {
      if (data.kind === 'progress') return this.onProgress(data.share)
      this.#waiting.get(data.number)?.(data.heard)
      this.#waiting.delete(data.number)
    }
    worker.postMessage({ song: this.song, audio, newest: this.#newest.buffer } satisfies HearStart)
    return worker
  }

  close(): void {
    this.#closed = true
    for (const give of this.#waiting.values()) give(null)
    this.#waiting.clear()
    void this.#worker?.then((worker) => worker.terminate())
  }
}
