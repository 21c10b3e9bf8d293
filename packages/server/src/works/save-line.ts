import { setTimeout as wait } from 'node:timers/promises'
import type { DataSource } from 'typeorm'
import { untilNobodyMet } from '../database/guarded-source'
import { writeSaves, type Saving } from './write-saves'

/** A save that waits for its turn. */
interface Waiting {
  readonly saving: Saving
  readonly done: (isWritten: boolean) => void
  readonly failed: (error: unknown) => void
}

/** Saves that are written together at most. */
const MOST = 48
/** One batch begins so long after the one before, in ms: who comes alone is written at once, a crowd goes together. */
const APART_MS = 8

/**
 * Writes saves, each durably; those that come while others are being written go together in one transaction. The more there
 * are, the less each of them costs.
 */
export class SaveLine {
  #waiting: Waiting[] = []
  #isWriting = false
  #begun = -Infinity

  constructor(private readonly database: DataSource) {}

  /**
   * Writes a save if the revision before is still the newest: one of two saves wins. Who was taken out of the class in the
   * meantime saves no more.
   * @returns whether it was written
   */
  write(saving: Saving): Promise<boolean> {
    return new Promise((done, failed) => {
      this.#waiting.push({ saving, done, failed })
      if (!this.#isWriting) void this.#writeOn()
    })
  }

  /** Writes batch after batch until nobody waits. */
  async #writeOn(): Promise<void> {
    this.#isWriting = true
    while (this.#waiting.length) {
      const early = this.#begun + APART_MS - performance.now()
      if (early > 0) await wait(early)
      this.#begun = performance.now()
      const batch = this.#take()
      // one that cannot be written, or has to wait, keeps no other one from it
      if (!(await this.#writeTogether(batch))) for (const waiting of batch) void this.#writeAlone(waiting)
    }
    this.#isWriting = false
  }

  /** Takes what can be written together: one save of each work. */
  #take(): Waiting[] {
    const batch: Waiting[] = []
    const left: Waiting[] = []
    const works = new Set<string>()
    for (const waiting of this.#waiting) {
      const { work } = waiting.saving
      ;(batch.length >= MOST || works.has(work) ? left : batch).push(waiting)
      works.add(work)
    }
    this.#waiting = left
    return batch
  }

  /** Writes a batch in one transaction. @returns whether that could be done, all of it and at once */
  async #writeTogether(batch: readonly Waiting[]): Promise<boolean> {
    const savings = batch.map(({ saving }) => saving).sort((a, b) => (a.work < b.work ? -1 : 1))
    // whoever writes for many waits for nobody: a work may be locked for as long as it takes to hand it in
    const isWritten = await writeSaves(this.database, savings, { waits: false }).catch(() => false)
    if (isWritten) for (const { done } of batch) done(true)
    return isWritten
  }

  /** Writes one save by itself, and waits for whoever has its work locked. */
  async #writeAlone({ saving, done, failed }: Waiting): Promise<void> {
    const write = () => writeSaves(this.database, [saving], { waits: true })
    await untilNobodyMet(write).then(done, failed)
  }
}
