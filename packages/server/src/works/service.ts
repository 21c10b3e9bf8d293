import { words } from '@rudlo/words'
import { randomUUID } from 'node:crypto'
import type { Kept } from '@rudlo/contract/common'
import type { Save, TryKept, TryView } from '@rudlo/contract/works'
import { readWork } from '@rudlo/core/stored'
import type { DataSource, EntityManager } from 'typeorm'
import { Assignment } from '../assignments/entities'
import { notFound, notNow } from '../http/problem'
import type { Person } from '../people/entities'
import type { Songs } from '../songbook/songs'
import { applyPatch, checkedWork } from './apply-patch'
import { documentCache, type KnownWork } from './document-cache'
import { Try, Work, WorkCommand } from './entities'
import { freshWork } from './fresh-work'
import { momentOf } from './moment-of'
import { headOf, writeWork } from './queries'
import { tryView } from './views'

/** Tries that are kept of a work: more than anybody compares. */
const MOST_TRIES = 60

/** Works of students: opening, saving, tries. */
export class Works {
  readonly #cache = documentCache()

  constructor(
    private readonly database: DataSource,
    private readonly songs: Songs,
  ) {}

  /** The person's work for an assignment; the first time it is made from the starting mix. */
  async open(person: Person, assignment: Assignment): Promise<Work> {
    const repository = this.database.getRepository(Work)
    const key = { assignmentId: assignment.id, personId: person.id }
    const found = await repository.findOneBy(key)
    if (found) return found
    const fresh = {
      id: randomUUID(),
      ...key,
      revision: 1,
      document: JSON.stringify(freshWork(assignment)),
      window: '',
      lastSave: '',
    }
    // two windows may get here at once: the first wins and both go on with it
    await repository
      .createQueryBuilder()
      .insert()
      .values({ ...fresh, updatedAt: new Date() })
      .orIgnore()
      .execute()
    return repository.findOneByOrFail(key)
  }

  /**
   * Saves a patch against a revision, durably, and gives back the new revision. A save whose answer got lost
   * may be sent again.
   * @throws Problem 409 with the newest revision and document where `revision` is not the newest
   */
  async save(person: Person, workId: string, request: Save): Promise<Kept> {
    const known = this.#cache.get(workId)
    if (known?.personId !== person.id || known.revision !== request.revision)
      return this.#saveUnknown(person, workId, request)
    return (await this.#store(workId, known, request, true)) ?? this.#saveUnknown(person, workId, request)
  }

  /** Saves against what the database has, where that is not known here. */
  async #saveUnknown(person: Person, workId: string, request: Save): Promise<Kept> {
    const head = await headOf(this.database, workId, person.id)
    if (!head) throw notFound()
    if (head.revision === request.revision + 1 && head.last_save === request.save)
      return { revision: head.revision }
    if (head.ended_at) throw notNow(words('work.term-ended'))
    const document = readWork(head.document)
    if (head.revision === request.revision) {
      const known = {
        personId: person.id,
        revision: head.revision,
        songVersionId: head.song_version_id,
        document,
        length: head.document.length,
      }
      // what is in the database is checked as a whole once: the rules may be newer than it
      const saved = await this.#store(workId, known, request, false)
      if (saved) return saved
      // another save came between the look and the write: look again
      return this.#saveUnknown(person, workId, request)
    }
    throw notNow(words('work.work-changed-somewhere'), {
      newest: { revision: head.revision, document },
    })
  }

  /**
   * Writes the patched document in one transaction, if the revision is still the newest.
   * @returns null where it is not
   */
  async #store(workId: string, known: KnownWork, request: Save, isChecked: boolean): Promise<Kept | null> {
    const song = await this.songs.version(known.songVersionId)
    const { document, text } = await applyPatch(known.document, request.patch, song, known.length, isChecked)
    const revision = known.revision + 1
    const stored = await this.database.transaction(async (manager) => {
      const work = { id: workId, personId: known.personId, before: known.revision }
      const isWritten = await writeWork(manager, work, { revision, document: text, save: request.save })
      if (isWritten) await this.#keepCommands(manager, workId, revision, request)
      return isWritten
    })
    if (!stored) return null
    this.#cache.set(workId, { ...known, revision, document, length: text.length })
    return { revision }
  }

  async #keepCommands(manager: EntityManager, workId: string, revision: number, { commands, now }: Save) {
    if (!commands.length) return
    const here = Date.now()
    await manager.insert(
      WorkCommand,
      commands.map(({ label, lanes, from, to, how, at }, number) => ({
        workId,
        revision,
        number,
        label,
        lanes: JSON.stringify(lanes),
        fromTick: from,
        toTick: to,
        how,
        at: momentOf(at, now, here),
      })),
    )
  }

  /** Says which window has the work now; the one before is told when it next asks. */
  async claim(work: Work, window: string): Promise<void> {
    await this.database.getRepository(Work).update(work.id, { window })
  }

  /** Keeps a whole alternative. @throws Problem 409 where there are too many */
  async keepTry(work: Work, name: string, document: unknown): Promise<TryKept> {
    const assignment = await this.database
      .getRepository(Assignment)
      .findOneByOrFail({ id: work.assignmentId })
    const { text } = await checkedWork(document, await this.songs.version(assignment.songVersionId))
    if ((await this.database.getRepository(Try).countBy({ workId: work.id })) >= MOST_TRIES)
      throw notNow(words('work.most-tries-kept', { most: MOST_TRIES }))
    const kept = { id: randomUUID(), workId: work.id, name, document: text, createdAt: new Date() }
    await this.database.getRepository(Try).insert(kept)
    return { id: kept.id, name }
  }

  /** Every try of a work, oldest first. */
  async *tries(work: Work): AsyncGenerator<TryView> {
    const tries = this.database.getRepository(Try)
    for (const kept of await tries.find({ where: { workId: work.id }, order: { createdAt: 'ASC' } }))
      yield tryView(kept)
  }
}
