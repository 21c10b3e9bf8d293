import type { CommandReport } from '@rudlo/contract/works'
import { patchBetween, type WorkDocument } from '@rudlo/core/mix'
import { ApiError, Unreachable } from '../api/errors'
import type { SaveRequest, UnsentWork } from './unsent'
import { t } from '../words/t'

/** What a person sees about saving. */
export type SaveState = 'saved' | 'saving' | 'not saved'

/** The newest state of a work on the server. */
export interface Newest {
  readonly revision: number
  readonly document: WorkDocument
}

/** What the saver needs from outside; tests give it a server that fails on purpose. */
export interface SaverPorts {
  send(request: SaveRequest): Promise<{ revision: number }>
  keep(unsent: UnsentWork): Promise<void>
  clear(): Promise<void>
  /** All there is has come to the server, as this revision: said before it is told to anybody. */
  settled(revision: number): Promise<void>
  /** The server has this now, by a save of this name: it is what the next patch is measured from. */
  acked(newest: Newest, save: string): Promise<void>
  onState(state: SaveState, problem: string | null): void
  /** The work was changed elsewhere: `mine` lost. Keeps it, and adopts the newest; where it fails it is asked again. */
  onConflict(newest: Newest, mine: WorkDocument): Promise<void>
}

const QUIET_MS = 300
/** Commands that go with one save, by number and by size: a long lesson without network brings thousands. */
const MOST_COMMANDS = 200
const MOST_BYTES = 256 * 1024
const RETRY_MS = [1000, 2000, 4000, 8000]

/**
 * Saves a work: keeps every edit in this browser at once, sends patches shortly after, tries again until the
 * server has them. A save whose answer got lost is sent again as it was.
 */
export class Saver {
  #acked: Newest
  #current: WorkDocument
  /** Commands that the server has not got yet, oldest first. */
  #commands: CommandReport[] = []
  /** How many of them belong to what it has got: they follow by themselves. */
  #owed = 0
  #keeping: Promise<void> | null = null
  #keepAgain = false
  #sent: SaveRequest | null = null
  #sentDocument: WorkDocument | null = null
  #timer: ReturnType<typeof setTimeout> | undefined
  #failures = 0
  #sending = false
  #closed = false

  constructor(
    private readonly workId: string,
    start: Newest,
    private readonly ports: SaverPorts,
  ) {
    this.#acked = start
    this.#current = start.document
  }

  get revision(): number {
    return this.#acked.revision
  }

  get dirty(): boolean {
    return this.#current !== this.#acked.document || this.#sent !== null || this.#owed > 0
  }

  /** Takes an edit over: into this browser now, to the server soon. */
  change(document: WorkDocument, command: CommandReport | null): void {
    this.#current = document
    if (command) this.#commands.push(command)
    this.ports.onState('saving', null)
    void this.#keep()
    if (!this.#sending) this.#schedule(QUIET_MS)
  }

  /** Takes over what this browser still held: a document, and the commands that made it. */
  resume(document: WorkDocument, commands: readonly CommandReport[]): void {
    this.#commands.unshift(...commands)
    this.change(document, null)
  }

  /** Sends what there is now. Comes back when it is saved, or has failed once. */
  async flush(): Promise<boolean> {
    clearTimeout(this.#timer)
    do {
      while (this.#sending) await new Promise((resolve) => setTimeout(resolve, 20))
      if (this.dirty) await this.#send()
      // what does not fit into one save goes in several
    } while (this.dirty && !this.#failures && !this.#closed)
    return !this.dirty
  }

  /** Tries at once where a try is pending: the network came back, or the lid was opened. */
  nudge(): void {
    if (this.dirty && !this.#sending) this.#schedule(0)
  }

  /** Goes on from another state of the server, with nothing unsent. */
  adopt(newest: Newest): void {
    clearTimeout(this.#timer)
    this.#acked = newest
    this.#current = newest.document
    this.#sent = null
    this.#commands = []
    this.#owed = 0
    void this.ports.clear()
    void this.ports.acked(newest, '').catch(() => undefined)
    this.ports.onState('saved', null)
  }

  close(): void {
    this.#closed = true
    clearTimeout(this.#timer)
  }

  /** Writes down what is not sent; while that is under way, once more afterwards instead of each time. */
  #keep(): Promise<void> {
    if (this.#keeping) {
      this.#keepAgain = true
      return this.#keeping
    }
    this.#keepAgain = false
    const unsent = {
      workId: this.workId,
      revision: this.#acked.revision,
      document: this.#current,
      sent: this.#sent,
      commands: [...this.#commands],
    }
    // a browser that keeps nothing still sends
    this.#keeping = this.ports
      .keep(unsent)
      .catch(() => undefined)
      .then(() => {
        this.#keeping = null
        return this.#keepAgain && !this.#closed ? this.#keep() : undefined
      })
    return this.#keeping
  }

  /** Takes as many commands as go with one save. */
  #nextCommands(): CommandReport[] {
    let bytes = 0
    const more = this.#commands.findIndex((command, i) => {
      bytes += JSON.stringify(command).length
      return i >= MOST_COMMANDS || (i > 0 && bytes > MOST_BYTES)
    })
    return this.#commands.splice(0, more < 0 ? this.#commands.length : more)
  }

  #schedule(ms: number): void {
    clearTimeout(this.#timer)
    if (!this.#closed) this.#timer = setTimeout(() => void this.#send(), ms)
  }

  async #send(): Promise<void> {
    if (this.#sending) return
    if (!this.#sent) {
      const patch = patchBetween(this.#acked.document, this.#current)
      if (!patch.length && !this.#owed) {
        this.#acked = { ...this.#acked, document: this.#current }
        return this.#settle()
      }
      const { revision } = this.#acked
      const before = this.#commands.length
      const commands = this.#nextCommands()
      // a change brings all of its commands along, the rest of them right after it
      this.#owed = patch.length ? before - commands.length : Math.max(0, this.#owed - commands.length)
      this.#sent = { revision, save: crypto.randomUUID(), patch, commands }
      this.#sentDocument = this.#current
      await this.#keep()
    }
    this.#sending = true
    this.ports.onState('saving', null)
    try {
      const { save } = this.#sent
      const { revision } = await this.ports.send(this.#sent)
      this.#acked = { revision, document: this.#sentDocument ?? this.#current }
      // a browser that keeps nothing goes on
      await this.ports.acked(this.#acked, save).catch(() => undefined)
      this.#sent = null
      this.#failures = 0
      this.#sending = false
      if (!this.dirty) await this.#settle()
      else {
        await this.#keep()
        this.#schedule(0)
      }
    } catch (error) {
      // a conflict counts as sending until it is settled: what came between would lose a second time
      await this.#fail(error as Error)
    }
  }

  async #settle(): Promise<void> {
    await this.#keeping
    // what was changed meanwhile is kept here, and stays until it is sent
    if (this.dirty) return
    await Promise.allSettled([this.ports.clear(), this.ports.settled(this.#acked.revision)])
    if (!this.dirty) this.ports.onState('saved', null)
  }

  async #fail(error: Error): Promise<void> {
    const newest =
      error instanceof ApiError && error.status === 409 ? (error.details['newest'] as Newest) : null
    if (newest) {
      try {
        await this.ports.onConflict(newest, this.#current)
        this.#sending = false
        return
      } catch {
        // the copy could not be kept: it stays in this browser, and the same save meets the same conflict again
      }
    }
    this.#sending = false
    const wait = RETRY_MS[Math.min(this.#failures++, RETRY_MS.length - 1)]!
    const problem =
      error instanceof Unreachable || error instanceof ApiError ? error.message : t('work.saving-failed')
    this.ports.onState('not saved', problem)
    this.#schedule(wait)
  }
}
