import type { DataSource, EntityManager } from 'typeorm'
import { execute } from '../database/execute'

/** How a work stands, and what it is for. */
export interface HeadRow {
  readonly revision: number
  readonly last_save: string
  readonly song_version_id: string
  readonly document: string
  /** When the term of the class ended; null while it goes on. */
  readonly ended_at: Date | null
}

/** Somebody's own work, as long as they belong to the group it was made for; undefined otherwise. */
export async function headOf(
  database: DataSource,
  work: string,
  person: string,
): Promise<HeadRow | undefined> {
  const rows: HeadRow[] = await database.query(
    `SELECT w.revision, w.last_save, a.song_version_id, w.document, g.ended_at
       FROM works w JOIN assignments a ON a.id = w.assignment_id AND a.removed_at IS NULL
       JOIN class_groups g ON g.id = a.group_id
       JOIN memberships m ON m.group_id = a.group_id AND m.person_id = w.person_id
      WHERE w.id = ? AND w.person_id = ?`,
    [work, person],
  )
  return rows[0]
}

/**
 * Writes a work, if the revision before is still the newest: one of two saves wins. Who was taken out of the group in the
 * meantime saves no more.
 * @returns whether it was written
 */
export async function writeWork(
  manager: EntityManager,
  work: { readonly id: string; readonly personId: string; readonly before: number },
  to: { readonly revision: number; readonly document: string; readonly save: string },
): Promise<boolean> {
  const changed = await execute(
    manager,
    `UPDATE works w JOIN assignments a ON a.id = w.assignment_id AND a.removed_at IS NULL
       JOIN class_groups g ON g.id = a.group_id AND g.ended_at IS NULL
       JOIN memberships m ON m.group_id = a.group_id AND m.person_id = w.person_id
        SET w.revision = ?, w.document = ?, w.last_save = ?, w.updated_at = ?
      WHERE w.id = ? AND w.person_id = ? AND w.revision = ?`,
    [to.revision, to.document, to.save, new Date(), work.id, work.personId, work.before],
  )
  return changed > 0
}

/** Counts a try of a task. */
export const countTry = (database: DataSource, work: string, task: string): Promise<unknown> =>
  database.query(
    `INSERT INTO task_tries (work_id, task, tries, at) VALUES (?, ?, 1, ?)
       ON DUPLICATE KEY UPDATE tries = LEAST(tries + 1, 1000), at = VALUES(at)`,
    [work, task, new Date()],
  )
