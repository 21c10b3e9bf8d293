import { deleteDB, openDB, type DBSchema, type IDBPDatabase } from 'idb'
import type { KeptStep } from './history'
import type { WorkView } from '@rudlo/contract/works'
import type { UnsentWork } from './unsent'
import { t } from '../words/t'

/** What was done to a work, up to the revision that the server has. */
export interface KeptHistory {
  readonly workId: string
  readonly revision: number
  readonly steps: readonly KeptStep[]
}

/** A work as the server is known to have it. */
export type KeptWork = Pick<WorkView, 'id' | 'assignmentId' | 'revision' | 'document' | 'lastSave'>

interface Schema extends DBSchema {
  unsent: { key: string; value: UnsentWork }
  history: { key: string; value: KeptHistory }
  /** By assignment. */
  opened: { key: string; value: KeptWork }
}
type Store = 'unsent' | 'history' | 'opened'

/** What is done with copies, wherever they are. */
interface Shelf {
  get<S extends Store>(store: S, key: string): Promise<Schema[S]['value'] | undefined>
  getAllKeys(store: 'opened'): Promise<string[]>
  put<S extends Store>(store: S, value: Schema[S]['value']): Promise<unknown>
  delete(store: 'unsent', workId: string): Promise<unknown>
  count(store: 'unsent'): Promise<number>
  close(): void
}

/** So long a browser may take to open its database: some never answer where they keep nothing. */
const PATIENCE_MS = 3000

/** Copies in the memory of this page, for browsers that keep nothing: they are gone with it. */
class PageShelf implements Shelf {
  readonly #kept = {
    unsent: new Map<string, UnsentWork>(),
    history: new Map<string, KeptHistory>(),
    opened: new Map<string, KeptWork>(),
  }

  async get<S extends Store>(store: S, key: string) {
    return this.#kept[store].get(key) as Schema[S]['value'] | undefined
  }
  async getAllKeys(store: 'opened') {
    return [...this.#kept[store].keys()]
  }
  async put<S extends Store>(store: S, value: Schema[S]['value']) {
    const key = 'workId' in value ? value.workId : value.assignmentId
    ;(this.#kept[store] as Map<string, Schema[S]['value']>).set(key, value)
  }
  async delete(store: 'unsent', workId: string) {
    this.#kept[store].delete(workId)
  }
  async count(store: 'unsent') {
    return this.#kept[store].size
  }
  close() {
    // nothing is open
  }
}

function openShelf(name: string): Promise<IDBPDatabase<Schema>> {
  const opened = openDB<Schema>(name, 3, {
    upgrade: (database, from) => {
      if (from < 1) database.createObjectStore('unsent', { keyPath: 'workId' })
      if (from < 2) database.createObjectStore('history', { keyPath: 'workId' })
      if (from < 3) database.createObjectStore('opened', { keyPath: 'assignmentId' })
    },
    // signing out deletes the database: whoever still has it open lets go
    blocking: (_current, _blocked, event) => (event.target as IDBDatabase).close(),
  })
  const late = new Promise<never>((_, reject) =>
    setTimeout(() => reject(new Error(t('work.no-database'))), PATIENCE_MS),
  )
  return Promise.race([opened, late])
}

/**
 * Unsent edits in this browser, and the works that were opened here as the server has them, in a database of their own for each
 * person. Where the browser keeps nothing (refused, blocked, full), they are kept in the page as long as it is open; nothing
 * here fails.
 */
export class OfflineCopy {
  #shelf: Promise<Shelf>
  #keeps = true

  constructor(
    private readonly personId: string,
    /** Told once where this browser turns out to keep nothing. */
    private readonly onNothingKept: () => void = () => undefined,
  ) {
    // the call itself may throw where it is forbidden
    this.#shelf = (async () => openShelf(`rudlo-${personId}`))().catch(() => this.#inPage())
  }

  /** Whether what is written outlives this page. */
  get keeps(): boolean {
    return this.#keeps
  }

  read(workId: string): Promise<UnsentWork | undefined> {
    return this.#do((shelf) => shelf.get('unsent', workId))
  }

  async write(unsent: UnsentWork): Promise<void> {
    await this.#do((shelf) => shelf.put('unsent', unsent))
  }

  async clear(workId: string): Promise<void> {
    await this.#do((shelf) => shelf.delete('unsent', workId))
  }

  readHistory(workId: string): Promise<KeptHistory | undefined> {
    return this.#do((shelf) => shelf.get('history', workId))
  }

  async writeHistory(history: KeptHistory): Promise<void> {
    await this.#do((shelf) => shelf.put('history', history))
  }

  /** The work for an assignment as the server had it when it was last heard of. */
  readOpened(assignmentId: string): Promise<KeptWork | undefined> {
    return this.#do((shelf) => shelf.get('opened', assignmentId))
  }

  async writeOpened({ id, assignmentId, revision, document, lastSave }: KeptWork): Promise<void> {
    await this.#do((shelf) => shelf.put('opened', { id, assignmentId, revision, document, lastSave }))
  }

  /** The assignments whose work was opened in this browser. */
  openedAssignments(): Promise<string[]> {
    return this.#do((shelf) => shelf.getAllKeys('opened'))
  }

  /** Whether nothing waits to be sent. */
  async isEmpty(): Promise<boolean> {
    return (await this.#do((shelf) => shelf.count('unsent'))) === 0
  }

  /** Takes everything of this person off the machine. */
  async destroy(): Promise<void> {
    ;(await this.#shelf).close()
    if (this.#keeps) await deleteDB(`rudlo-${this.personId}`).catch(() => undefined)
  }

  /** Does something; from the first failure on it is done in the page. */
  async #do<T>(what: (shelf: Shelf) => Promise<T>): Promise<T> {
    try {
      return await what(await this.#shelf)
    } catch {
      this.#shelf = Promise.resolve(this.#inPage())
      return what(await this.#shelf)
    }
  }

  #inPage(): Shelf {
    if (this.#keeps) this.onNothingKept()
    this.#keeps = false
    return new PageShelf()
  }
}
