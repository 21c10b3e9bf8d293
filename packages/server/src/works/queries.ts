import type { DataSource } from 'typeorm'
import { readStored } from './documents'

/** How a work stands, and what it is for. */
interface Head {
  readonly lastSave: string
  readonly songVersionId: string
  /** When the term of the class ended; null while it goes on. */
  readonly endedAt: Date | null
}

/** Somebody's own work, as long as they belong to the group it was made for; undefined otherwise. */
export const headOf = (database: DataSource, work: string, person: string) =>
  readStored<Head>(
    database,
    work,
    { lastSave: 'w.last_save', songVersionId: 'a.song_version_id', endedAt: 'g.ended_at' },
    {
      joins: `JOIN assignments a ON a.id = w.assignment_id AND a.removed_at IS NULL
        JOIN class_groups g ON g.id = a.group_id
        JOIN memberships m ON m.group_id = a.group_id AND m.person_id = w.person_id`,
      where: 'w.person_id = ?',
      parameters: [person],
    },
  )

/** Counts a try of a task. */
export const countTry = (database: DataSource, work: string, task: string): Promise<unknown> =>
  database.query(
    `INSERT INTO task_tries (work_id, task, tries, at) VALUES (?, ?, 1, ?)
       ON DUPLICATE KEY UPDATE tries = LEAST(tries + 1, 1000), at = VALUES(at)`,
    [work, task, new Date()],
  )
