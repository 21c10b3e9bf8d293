import type { Heard } from '@rudlo/core/heard'
import type { Mix, Sounding } from '@rudlo/core/mix'
import { proxy } from 'comlink'
import { audioOf } from '../../engine/song-audio'
import { WorkerHost } from '../../engine/worker-host'
import type { HearApi } from './hear.worker'

/** The page's end of the worker that hears mixes. */
export class HearHost {
  readonly #newest = new Int32Array(new SharedArrayBuffer(4))
  readonly #worker: WorkerHost<HearApi>
  #number = 0
  #closed = false

  constructor(
    sounding: Pick<Sounding, 'song' | 'anew'>,
    private readonly onProgress: (share: number) => void,
  ) {
    this.#worker = new WorkerHost<HearApi>(
      () => new Worker(new URL('./hear.worker.ts', import.meta.url), { type: 'module' }),
      async (remote) => remote.begin(sounding.song, await audioOf(sounding), this.#newest.buffer),
    )
  }

  /**
   * Renders a mix and measures it.
   * @param passing whether a newer mix makes this one needless
   * @returns null where it was given up, or the host was closed
   * @throws Error where the worker threw, or died twice
   */
  async hear(mix: Mix, passing: boolean): Promise<Heard | null> {
    const number = ++this.#number
    if (passing) Atomics.store(this.#newest, 0, number)
    try {
      return await this.#worker.ask((remote) => remote.hear({ number, mix, passing }, this.#progress))
    } catch (error) {
      if (this.#closed) return null
      throw error
    }
  }

  readonly #progress = proxy((share: number) => this.onProgress(share))

  close(): void {
    this.#closed = true
    this.#worker.close()
  }
}
