import { words } from '@rudlo/words'
import { randomUUID } from 'node:crypto'
import type { Kept } from '@rudlo/contract/common'
import type { Save, TryKept, TryView } from '@rudlo/contract/works'
import { LIMITS } from '@rudlo/core/mix'
import type { DataSource } from 'typeorm'
import type { Remembered, Sessions } from '../access/sessions'
import { Assignment } from '../assignments/entities'
import { notFound, notNow, notSignedIn } from '../http/problem'
import type { Person } from '../people/entities'
import type { Songs } from '../songbook/songs'
import { applyPatch, checkedWork, textOfWork } from './apply-patch'
import { documentCache, type KnownWork } from './document-cache'
import { wholeDocument, workNow, type WorkNow } from './documents'
import { Try, Work } from './entities'
import { freshWork } from './fresh-work'
import { momentOf } from './moment-of'
import { headOf } from './queries'
import { SaveLine } from './save-line'
import { tryView } from './views'

/** Tries that are kept of a work: more than anybody compares. */
const MOST_TRIES = 60

/** Bytes of patches that a work may have before it is written as a whole again. */
const MOST_PATCH_BYTES = 48 * 1024
/**
 * How many patches a work may have: from 60 to 120, as its id says. A class that begins together does not have all of its works
 * written as a whole in the same second.
 */
const mostPatches = (work: string): number => 60 + (Number.parseInt(work.slice(0, 4), 16) % 61)

/** Works of students: opening, saving, tries. */
export class Works {
  readonly #cache = documentCache()
  readonly #line: SaveLine

  constructor(
    private readonly database: DataSource,
    private readonly songs: Songs,
    private readonly sessions: Sessions,
  ) {
    this.#line = new SaveLine(database)
  }

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
      snapshot: JSON.stringify(freshWork(assignment)),
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

  /** A work as it is now. @throws Problem 404 where it is gone */
  now({ id }: Work): Promise<WorkNow> {
    return workNow(this.database, id)
  }

  /**
   * Saves a patch against a revision, durably, and gives back the new revision. A save whose answer got lost
   * may be sent again.
   * @param from who asks: that they are still signed in is found out where the save is written
   * @throws Problem 401, or 409 with the newest revision and document where `revision` is not the newest
   */
  async save(from: Remembered, workId: string, request: Save): Promise<Kept> {
    const known = this.#cache.get(workId)
    if (known?.personId !== from.person.id || known.revision !== request.revision)
      return this.#saveUnknown(from, workId, request)
    return (await this.#store(from, workId, known, request)) ?? this.#saveUnknown(from, workId, request)
  }

  /** Saves against what the database has, where that is not known here. */
  async #saveUnknown(from: Remembered, workId: string, request: Save): Promise<Kept> {
    const { person, session } = from
    if (!(await this.sessions.holds(session))) throw notSignedIn()
    const head = await headOf(this.database, workId, person.id)
    if (!head) throw notFound()
    if (head.revision === request.revision + 1 && head.lastSave === request.save)
      return { revision: head.revision }
    if (head.endedAt) throw notNow(words('work.term-ended'))
    const document = wholeDocument(head)
    if (head.revision === request.revision) {
      const bytes = head.patches.reduce((sum, patch) => sum + patch.length, 0)
      const known = {
        personId: person.id,
        revision: head.revision,
        songVersionId: head.songVersionId,
        document,
        length: head.document.length + bytes,
        // what is in the database is checked as a whole once: the rules may be newer than it
        isChecked: false,
        patches: { count: head.patches.length, bytes },
      }
      const saved = await this.#store(from, workId, known, request)
      if (saved) return saved
      // another save came between the look and the write: look again
      return this.#saveUnknown(from, workId, request)
    }
    throw notNow(words('work.work-changed-somewhere'), {
      newest: { revision: head.revision, document },
    })
  }

  /**
   * Writes what a save makes of a work, if the revision is still the newest: its patch alone, or, once there are many of those,
   * the whole document.
   * @returns null where it is not the newest, or the session is over
   */
  async #store(
    { session }: Remembered,
    workId: string,
    known: KnownWork,
    request: Save,
  ): Promise<Kept | null> {
    const { personId, songVersionId, revision: before } = known
    const song = await this.songs.version(songVersionId)
    const document = await applyPatch(known.document, request.patch, song, known.length, known.isChecked)
    const patch = JSON.stringify(request.patch)
    const patches = { count: known.patches.count + 1, bytes: known.patches.bytes + patch.length }
    // no text grows by more than what is put into it
    const most = known.length + patch.length
    const isWhole =
      patches.count > mostPatches(workId) || patches.bytes > MOST_PATCH_BYTES || most > LIMITS.bytes
    const text = isWhole ? textOfWork(document) : null
    const isWritten = await this.#line.write({
      work: workId,
      person: personId,
      session,
      before,
      save: request.save,
      change: text === null ? { patch } : { document: text },
      commands: commandRows(workId, before + 1, request),
    })
    if (!isWritten) return null
    const revision = before + 1
    this.#cache.set(workId, {
      ...known,
      revision,
      document,
      length: text?.length ?? most,
      isChecked: true,
      patches: text === null ? patches : { count: 0, bytes: 0 },
    })
    return { revision }
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

/** What was done with a save, as it is kept. */
function commandRows(work: string, revision: number, { commands, now }: Save): (readonly unknown[])[] {
  const here = Date.now()
  return commands.map(({ label, lanes, from, to, how, at }, number) => [
    work,
    revision,
    number,
    label,
    JSON.stringify(lanes),
    from,
    to,
    how,
    momentOf(at, now, here),
  ])
}
