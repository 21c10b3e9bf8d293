import type { Heard, Picture, PictureAsked } from '@rudlo/core/heard'
import type { Mix, Sounding } from '@rudlo/core/mix'
import { proxy, type Remote } from 'comlink'
import { audioOf } from '../../engine/song-audio'
import { WorkerHost } from '../../engine/worker-host'
import type { HearApi, HearTask } from './hear.worker'

/** The page's end of the worker that hears mixes. */
export class HearHost {
  readonly #newest = new Int32Array(new SharedArrayBuffer(4))
  readonly #worker: WorkerHost<HearApi>
  #number = 0
  /** The mix of that number: several things of one mix are asked for side by side. */
  #mix: Mix | null = null
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
  hear = (mix: Mix, passing: boolean): Promise<Heard | null> =>
    this.#ask(mix, passing, (remote, task) => remote.hear(task, this.#progress))

  /**
   * Renders what a picture takes, and makes it.
   * @param passing whether a newer mix makes this one needless
   * @returns null where it was given up, or the host was closed
   * @throws Error where the worker threw, or died twice
   */
  picture = (mix: Mix, asked: PictureAsked, passing = true): Promise<Picture | null> =>
    this.#ask(mix, passing, async (remote, task) => await remote.picture(task, asked, this.#progress))

  async #ask<T>(
    mix: Mix,
    passing: boolean,
    what: (remote: Remote<HearApi>, task: HearTask) => Promise<T>,
  ): Promise<T | null> {
    const number = mix === this.#mix ? this.#number : ++this.#number
    this.#mix = mix
    if (passing) Atomics.store(this.#newest, 0, number)
    try {
      return await this.#worker.ask((remote) => what(remote, { number, mix, passing }))
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
