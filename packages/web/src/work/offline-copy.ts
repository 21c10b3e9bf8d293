import type { WorkDocument } from '@rudlo/core/mix'
import { deleteDB, openDB, type DBSchema, type IDBPDatabase } from 'idb'
import type { KeptStep } from './history'
import type { SaveRequest } from './saver'

/** What has not reached the server yet. */
export interface UnsentWork {
  readonly workId: string
  /** The newest revision that the server is known to have. */
  readonly revision: number
  readonly document: WorkDocument
  /** A save that was sent and not answered: it may have arrived. */
  readonly sent: SaveRequest | null
}

/** What was done to a work, up to the revision that the server has. */
export interface KeptHistory {
  readonly workId: string
  readonly revision: number
  readonly steps: readonly KeptStep[]
}

interface Schema extends DBSchema {
  unsent: { key: string; value: UnsentWork }
  history: { key: string; value: KeptHistory }
}

/** Unsent edits in this browser, in a database of their own for each person. */
export class OfflineCopy {
  readonly #database: Promise<IDBPDatabase<Schema>>

  constructor(private readonly personId: string) {
    this.#database = openDB<Schema>(`rudlo-${personId}`, 2, {
      upgrade: (database, from) => {
        if (from < 1) database.createObjectStore('unsent', { keyPath: 'workId' })
        if (from < 2) database.createObjectStore('history', { keyPath: 'workId' })
      },
      // signing out deletes the database: whoever still has it open lets go
      blocking: (_current, _blocked, event) => (event.target as IDBDatabase).close(),
    })
  }

  async read(workId: string): Promise<UnsentWork | undefined> {
    return (await this.#database).get('unsent', workId)
  }

  async write(unsent: UnsentWork): Promise<void> {
    await (await this.#database).put('unsent', unsent)
  }

  async clear(workId: string): Promise<void> {
    await (await this.#database).delete('unsent', workId)
  }

  async readHistory(workId: string): Promise<KeptHistory | undefined> {
    return (await this.#database).get('history', workId)
  }

  async writeHistory(history: KeptHistory): Promise<void> {
    await (await this.#database).put('history', history)
  }

  async isEmpty(): Promise<boolean> {
    return (await (await this.#database).count('unsent')) === 0
  }

  /** Takes everything of this person off the machine. */
  async destroy(): Promise<void> {
    ;(await this.#database).close()
    await deleteDB(`rudlo-${this.personId}`)
  }
}
