import { setTimeout as wait } from 'node:timers/promises'
import type { DataSource, EntityManager } from 'typeorm'
import { execute } from '../database/execute'

/** A save that is to be written. */
export interface Saving {
  readonly work: string
  readonly person: string
  /** The revision that it changes; it leads to the next one. */
  readonly before: number
  /** The name that the browser gave to it. */
  readonly save: string
  /** What changed, as JSON text; or the whole document, with which earlier changes are written off. */
  readonly change: { readonly patch: string } | { readonly document: string }
  /** Rows of `work_commands`, in the order of {@link COMMAND}. */
  readonly commands: readonly (readonly unknown[])[]
}

/** A save that waits for its turn. */
interface Waiting {
  readonly saving: Saving
  readonly done: (isWritten: boolean) => void
  readonly failed: (error: unknown) => void
}

/** Columns of a command. */
const COMMAND = 'work_id, revision, number, label, lanes, from_tick, to_tick, how, at'
/** Saves that are written together at most. */
const MOST = 48
/** One batch begins so long after the one before, in ms: who comes alone is written at once, a crowd goes together. */
const APART_MS = 8

/** Not all of a batch could be written: it is taken back as a whole. */
class Partly extends Error {}

/** Whoever writes for many waits for nobody: a work may be locked for as long as it takes to hand it in. */
const AT_ONCE = 'SET STATEMENT innodb_lock_wait_timeout=0 FOR '

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
    // in one order everywhere: two servers never wait for each other
    const savings = batch.map(({ saving }) => saving).sort((a, b) => (a.work < b.work ? -1 : 1))
    try {
      await this.database.transaction(async (manager) => {
        if ((await move(manager, savings, AT_ONCE)) < savings.length) throw new Partly()
        await keep(manager, savings)
      })
    } catch {
      return false
    }
    for (const { done } of batch) done(true)
    return true
  }

  /** Writes one save by itself, and waits for whoever has its work locked. */
  async #writeAlone({ saving, done, failed }: Waiting): Promise<void> {
    const write = async (manager: EntityManager) => {
      if (!(await move(manager, [saving]))) return false
      await keep(manager, [saving])
      return true
    }
    await this.database.transaction(write).then(done, failed)
  }
}

/** Moves works on to their next revision. @param how what the statement begins with @returns how many could be moved */
function move(manager: EntityManager, savings: readonly Saving[], how = ''): Promise<number> {
  const whens = (then: string) => savings.map(() => `WHEN ? THEN ${then}`).join(' ')
  return execute(
    manager,
    `${how}UPDATE works w JOIN assignments a ON a.id = w.assignment_id AND a.removed_at IS NULL
       JOIN class_groups g ON g.id = a.group_id AND g.ended_at IS NULL
       JOIN memberships m ON m.group_id = a.group_id AND m.person_id = w.person_id
        SET w.revision = w.revision + 1, w.last_save = CASE w.id ${whens('?')} END, w.updated_at = ?
      WHERE w.id IN (${savings.map(() => '?').join()})
        AND CASE w.id ${whens('w.person_id = ? AND w.revision = ?')} END`,
    [
      ...savings.flatMap(({ work, save }) => [work, save]),
      new Date(),
      ...savings.map(({ work }) => work),
      ...savings.flatMap(({ work, person, before }) => [work, person, before]),
    ],
  )
}

/** Writes what changed of works that were moved on, and the commands that did it. */
async function keep(manager: EntityManager, savings: readonly Saving[]): Promise<void> {
  const patches: (readonly unknown[])[] = []
  for (const { work, before, change } of savings) {
    if ('patch' in change) patches.push([work, before + 1, change.patch])
    else {
      await execute(manager, 'UPDATE works SET document = ? WHERE id = ?', [change.document, work])
      await execute(manager, 'DELETE FROM work_patches WHERE work_id = ?', [work])
    }
  }
  if (patches.length)
    await manager.query('INSERT INTO work_patches (work_id, revision, patch) VALUES ?', [patches])
  const commands = savings.flatMap((saving) => saving.commands)
  if (commands.length) await manager.query(`INSERT INTO work_commands (${COMMAND}) VALUES ?`, [commands])
}
