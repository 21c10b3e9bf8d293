import type { Measurement } from '@rudlo/core/assess'
import type { WorkDocument } from '@rudlo/core/mix'
import type { DataSource } from 'typeorm'
import { HandIn } from '../handins/hand-in.entity'
import type { Assets } from '../songbook/assets'
import type { Songs } from '../songbook/songs'
import type { MeasureTask } from './measure-worker'
import type { WorkerPool } from './worker-pool'

const TRIES = 3

/** Measures hand-ins in worker threads. What was not measured when the server went down is found at start. */
export class MeasureQueue {
  readonly #running = new Map<string, Promise<void>>()

  constructor(
    private readonly database: DataSource,
    private readonly songs: Songs,
    private readonly assets: Assets,
    private readonly workers: WorkerPool<MeasureTask, Measurement>,
    private readonly log: (line: string) => void,
  ) {}

  /** Takes up everything that still has no measurement. */
  async resume(): Promise<void> {
    const open = await this.database
      .getRepository(HandIn)
      .createQueryBuilder('h')
      .select(['h.id'])
      .where('h.measurement IS NULL')
      .orderBy('h.handed_in_at')
      .getMany()
    for (const { id } of open) this.add(id)
  }

  /** Measures one hand-in in the background. */
  add(id: string): void {
    if (this.#running.has(id)) return
    const job = this.#measure(id, TRIES).finally(() => this.#running.delete(id))
    this.#running.set(id, job)
  }

  /** Waits until nothing is left to measure. */
  async settled(): Promise<void> {
    while (this.#running.size) await Promise.all(this.#running.values())
  }

  async #measure(id: string, tries: number): Promise<void> {
    try {
      const repository = this.database.getRepository(HandIn)
      const handIn = await repository.findOneByOrFail({ id })
      const song = await this.songs.version(handIn.songVersionId)
      const flac = new Map<string, Uint8Array>()
      for (const { id: asset } of song.assets) {
        const found = await this.assets.find(asset)
        if (found) flac.set(asset, await this.assets.bytes(asset, 0, found.bytes - 1))
      }
      const { mix } = JSON.parse(handIn.document) as WorkDocument
      const measurement = JSON.stringify(await this.workers.run({ song, mix, flac }))
      await repository.update({ id }, { measurement })
      await repository.update({ id, state: 'measuring' }, { state: 'waiting' })
    } catch (error) {
      this.log(`measuring a hand-in failed (${tries - 1} tries left): ${(error as Error).message}`)
      if (tries > 1) return this.#measure(id, tries - 1)
    }
  }
}
