import { words } from '@rudlo/words'
import type { Hanging, Removable, RemovedView } from '@rudlo/contract/removed'
import type { DataSource } from 'typeorm'
import type { Assignment } from '../assignments/entities'
import { countStudents } from '../assignments/queries'
import { textOf } from '../http/moment'
import { notFound, notNow } from '../http/problem'
import type { Group, Person } from '../people/entities'
import { leaveTrail } from '../people/trail'
import type { Songs } from '../songbook/songs'
import {
  goneBefore,
  hangingOn,
  mark,
  purgeAssignment,
  purgeClass,
  purgeSong,
  removedFor,
  setAside,
  usersOf,
} from './queries'

const DAY = 24 * 3_600_000
/** So long what was removed can be had back. */
export const KEPT_DAYS = 30

/** Removing assignments, classes and songs, and having them back. */
export class Removal {
  constructor(
    private readonly database: DataSource,
    private readonly songs: Pick<Songs, 'checkMayChange'>,
  ) {}

  /** What a teacher may have back, the newest first. */
  async of(teacher: Person): Promise<RemovedView[]> {
    const rows = await removedFor(this.database, teacher.id)
    return rows.map(({ removedAt, ...row }) => ({
      ...row,
      removedAt: textOf(removedAt),
      until: textOf(new Date(removedAt.getTime() + KEPT_DAYS * DAY)),
    }))
  }

  /** What hangs on an assignment. */
  async onAssignment({ id, groupId }: Assignment): Promise<Hanging> {
    return {
      ...(await hangingOn(this.database, 'a.id = ?', id)),
      students: await countStudents(this.database, groupId),
    }
  }

  /** What hangs on a class. */
  async onClass({ id }: Group): Promise<Hanging> {
    return {
      ...(await hangingOn(this.database, 'a.group_id = ?', id)),
      students: await countStudents(this.database, id),
    }
  }

  removeAssignment(teacher: Person, { id }: Assignment): Promise<void> {
    return this.#remove(teacher, 'assignment', id)
  }

  /** Removes a class: nobody belongs to it while it is away. */
  removeClass(teacher: Person, { id }: Group): Promise<void> {
    return this.#remove(teacher, 'class', id)
  }

  /** @throws Problem 403 for a song of others, 409 where assignments use it */
  async removeSong(teacher: Person, id: string): Promise<void> {
    await this.songs.checkMayChange(teacher, id)
    await this.#remove(teacher, 'song', id)
  }

  /** Has something back. @throws Problem 404 where it is not the teacher's, or is gone */
  async restore(teacher: Person, kind: Removable, id: string): Promise<void> {
    const known = (await this.of(teacher)).some((r) => r.kind === kind && r.id === id)
    if (!known) throw notFound()
    await this.database.transaction(async (manager) => {
      if (!(await mark(manager, kind, id, null))) throw notNow(words('removed.gone', { days: KEPT_DAYS }))
      if (kind === 'class') await setAside(manager, id, false)
      await leaveTrail(manager, teacher.id, 'restored', id)
    })
  }

  async #remove(teacher: Person, kind: Removable, id: string): Promise<void> {
    await this.database.transaction(async (manager) => {
      if (kind === 'song') {
        const titles = await usersOf(manager, id)
        const [song]: { title: string }[] = await manager.query('SELECT title FROM songs WHERE id = ?', [id])
        if (titles.length)
          throw notNow(words('removed.song-used', { title: song?.title ?? '', titles: titles.join(', ') }))
      }
      if (!(await mark(manager, kind, id, { at: new Date(), by: teacher.id }))) throw notFound()
      if (kind === 'class') await setAside(manager, id, true)
      await leaveTrail(manager, teacher.id, 'removed', id)
    })
  }

  /** Lets go for good of what was removed long ago. @returns how much went */
  async sweep(): Promise<number> {
    const gone = await goneBefore(this.database, new Date(Date.now() - KEPT_DAYS * DAY))
    let count = 0
    const each = async (ids: readonly string[], purge: typeof purgeAssignment) => {
      for (const id of ids) if (await this.database.transaction((manager) => purge(manager, id))) count++
    }
    await each(gone.assignment, purgeAssignment)
    await each(gone.class, purgeClass)
    await each(gone.song, purgeSong)
    return count
  }
}
