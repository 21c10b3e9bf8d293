import { openDB, type DBSchema, type IDBPDatabase } from 'idb'

/** A spoken remark that the server does not have yet. */
export interface UnsentVoice {
  readonly id: string
  readonly handIn: string
  readonly lane: string | null
  readonly from: number
  readonly to: number
  readonly text: string
  readonly subject: string
  readonly audio: Uint8Array
  readonly ms: number
  readonly wave: readonly number[]
}

interface Schema extends DBSchema {
  spoken: { key: string; value: UnsentVoice }
}

/**
 * What a teacher spoke and the server does not have yet, kept by this browser until it does: by person, never somebody else's.
 * Where nothing can be kept it stays in the memory of this page.
 */
export class UnsentVoices {
  readonly #page = new Map<string, UnsentVoice>()
  #shelf: Promise<IDBPDatabase<Schema> | null> | null = null

  constructor(private readonly personId: string) {}

  /** @returns whether it outlives this page */
  async keep(voice: UnsentVoice): Promise<boolean> {
    this.#page.set(voice.id, voice)
    try {
      const shelf = await this.#open()
      await shelf?.put('spoken', voice)
      return shelf !== null
    } catch {
      // a full disk: it is still here
      return false
    }
  }

  async forget(id: string): Promise<void> {
    this.#page.delete(id)
    const shelf = await this.#open()
    await shelf?.delete('spoken', id).catch(() => null)
  }

  /** All that waits, oldest first as far as that is known. */
  async all(): Promise<readonly UnsentVoice[]> {
    const shelf = await this.#open()
    const kept = (await shelf?.getAll('spoken').catch(() => [])) ?? []
    return [...kept, ...[...this.#page.values()].filter((p) => !kept.some((k) => k.id === p.id))]
  }

  #open(): Promise<IDBPDatabase<Schema> | null> {
    this.#shelf ??= openDB<Schema>(`rudlo-voice-${this.personId}`, 1, {
      upgrade: (database) => void database.createObjectStore('spoken', { keyPath: 'id' }),
    }).catch(() => null)
    return this.#shelf
  }
}
