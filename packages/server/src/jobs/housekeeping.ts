import type { Log } from '../http/log'
import type { Guard } from '../access/guard'
import type { Removal } from '../removed/service'
import type { Assets } from '../songbook/assets'
import type { Uploads } from '../songbook/uploads'

const HOUR_MS = 3_600_000
/** After the start, so that nobody who opens the first page waits for it. */
const FIRST_MS = 60_000

/** Clears away what nothing refers to any more: files on their way in, audio without a song, counters of guesses, and what was removed long ago. */
export class Housekeeping {
  #timer: ReturnType<typeof setTimeout> | null = null

  constructor(
    private readonly of: {
      readonly uploads: Pick<Uploads, 'sweep'>
      readonly assets: Pick<Assets, 'sweep'>
      readonly guard: Pick<Guard, 'tidy'>
      readonly removal: Pick<Removal, 'sweep'>
    },
    private readonly log: Log,
  ) {}

  /** Sweeps every hour from soon on. */
  start(): void {
    this.#later(FIRST_MS)
  }

  close(): void {
    if (this.#timer) clearTimeout(this.#timer)
  }

  /** Sweeps once. @returns how much went, by kind */
  async sweep(): Promise<{ readonly removed: number; readonly uploads: number; readonly assets: number }> {
    const { uploads, assets, guard, removal } = this.of
    await guard.tidy()
    // songs first: their audio goes with them
    const removed = await removal.sweep()
    return { removed, uploads: await uploads.sweep(), assets: await assets.sweep() }
  }

  #later(ms: number): void {
    this.#timer = setTimeout(() => {
      void this.sweep()
        .then(
          (gone) => gone.assets + gone.uploads + gone.removed && this.log.info(gone, 'swept'),
          (error: Error) => this.log.error({ reason: error.message }, 'sweeping failed'),
        )
        .finally(() => this.#later(HOUR_MS))
    }, ms)
    this.#timer.unref()
  }
}
