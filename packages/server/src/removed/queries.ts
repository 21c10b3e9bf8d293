import type { Hanging, Removable } from '@rudlo/contract/removed'
import type { DataSource, EntityManager } from 'typeorm'
import { execute } from '../database/execute'

/** Something that was removed. */
export interface RemovedRow {
  readonly kind: Removable
  readonly id: string
  readonly title: string
  readonly removedAt: Date
}

/** Everything that was removed and that a teacher may have back, the newest first. */
export const removedFor = (database: DataSource, teacher: string): Promise<RemovedRow[]> =>
  database.query(
    `SELECT 'assignment' AS kind, a.id, a.title, a.removed_at AS removedAt FROM assignments a
       JOIN memberships m ON m.group_id = a.group_id AND m.person_id = ? AND m.role = 'teacher' WHERE a.removed_at IS NOT NULL
      UNION ALL
     SELECT 'class', g.id, g.name, g.removed_at FROM class_groups g
       JOIN set_aside_members m ON m.group_id = g.id AND m.person_id = ? AND m.role = 'teacher' WHERE g.removed_at IS NOT NULL
      UNION ALL
     SELECT 'song', s.id, s.title, s.removed_at FROM songs s WHERE s.removed_at IS NOT NULL AND s.removed_by = ?
      ORDER BY removedAt DESC`,
    [teacher, teacher, teacher],
  )

/** What hangs on some assignments of a class. @param where condition on `a`, the assignments */
export async function hangingOn(
  database: DataSource,
  where: 'a.id = ?' | 'a.group_id = ?',
  id: string,
): Promise<Omit<Hanging, 'students'>> {
  const works = `works w JOIN assignments a ON a.id = w.assignment_id`
  const [row]: Record<keyof Omit<Hanging, 'students'>, string>[] = await database.query(
    `SELECT (SELECT COUNT(*) FROM assignments a WHERE ${where} AND a.removed_at IS NULL) AS assignments,
            (SELECT COUNT(*) FROM ${works} WHERE ${where} AND w.revision > 1) AS works,
            (SELECT COUNT(*) FROM hand_ins h JOIN ${works} ON w.id = h.work_id WHERE ${where}) AS handIns,
            (SELECT COUNT(*) FROM remarks r JOIN hand_ins h ON h.id = r.hand_in_id JOIN ${works} ON w.id = h.work_id WHERE ${where}) AS remarks`,
    [id, id, id, id],
  )
  return {
    assignments: Number(row?.assignments ?? 0),
    works: Number(row?.works ?? 0),
    handIns: Number(row?.handIns ?? 0),
    remarks: Number(row?.remarks ?? 0),
  }
}

/** Titles of the assignments that use a song. */
export async function usersOf(manager: EntityManager, song: string): Promise<string[]> {
  const rows: { title: string }[] = await manager.query(
    `SELECT DISTINCT a.title FROM assignments a JOIN song_versions v ON v.id = a.song_version_id
      WHERE v.song_id = ? AND a.removed_at IS NULL ORDER BY a.title`,
    [song],
  )
  return rows.map((r) => r.title)
}

const TABLES = { assignment: 'assignments', class: 'class_groups', song: 'songs' } as const

/** Marks something as removed, or as there again. @returns whether it was not so already */
export async function mark(
  manager: EntityManager,
  kind: Removable,
  id: string,
  removed: { readonly at: Date; readonly by: string } | null,
): Promise<boolean> {
  const changed = await execute(
    manager,
    `UPDATE ${TABLES[kind]} SET removed_at = ?, removed_by = ? WHERE id = ? AND removed_at IS ${removed ? '' : 'NOT '}NULL`,
    [removed?.at ?? null, removed?.by ?? null, id],
  )
  return changed > 0
}

/** Sets the members of a class aside, or lets them in again. */
export async function setAside(manager: EntityManager, group: string, aside: boolean): Promise<void> {
  const [from, to] = aside ? ['memberships', 'set_aside_members'] : ['set_aside_members', 'memberships']
  await manager.query(
    `INSERT IGNORE INTO ${to} (group_id, person_id, role, shares) SELECT group_id, person_id, role, shares FROM ${from} WHERE group_id = ?`,
    [group],
  )
  await manager.query(`DELETE FROM ${from} WHERE group_id = ?`, [group])
}

/** What was removed before a moment, in the order in which it can go for good. */
export async function goneBefore(database: DataSource, before: Date): Promise<Record<Removable, string[]>> {
  const of = async (kind: Removable) =>
    (
      (await database.query(`SELECT id FROM ${TABLES[kind]} WHERE removed_at < ? LIMIT 50`, [before])) as {
        id: string
      }[]
    ).map((r) => r.id)
  return { assignment: await of('assignment'), class: await of('class'), song: await of('song') }
}

const HAND_INS = 'SELECT h.id FROM hand_ins h JOIN works w ON w.id = h.work_id WHERE w.assignment_id = ?'
const WORKS = 'SELECT id FROM works WHERE assignment_id = ?'
/** Tables with what hangs on an assignment, in the order in which it can go. */
const HANGS: readonly (readonly [table: string, where: string])[] = [
  ['replies', `remark_id IN (SELECT r.id FROM remarks r WHERE r.hand_in_id IN (${HAND_INS}))`],
  ['remarks', `hand_in_id IN (${HAND_INS})`],
  ['reviews', `hand_in_id IN (${HAND_INS})`],
  ['trail', `subject IN (${HAND_INS})`],
  ['hand_ins', `work_id IN (${WORKS})`],
  ['opened_hints', `work_id IN (${WORKS})`],
  ['task_tries', `work_id IN (${WORKS})`],
  ['work_commands', `work_id IN (${WORKS})`],
  ['tries', `work_id IN (${WORKS})`],
  ['works', 'assignment_id = ?'],
  ['exceptions', 'assignment_id = ?'],
  ['presences', 'assignment_id = ?'],
  ['assignments', 'id = ?'],
]

/** Lets an assignment go for good, with everything that hangs on it. */
export async function purgeAssignment(manager: EntityManager, id: string): Promise<boolean> {
  for (const [table, where] of HANGS) await manager.query(`DELETE FROM ${table} WHERE ${where}`, [id])
  return true
}

/** Lets a class go for good, with its assignments. The people stay. */
export async function purgeClass(manager: EntityManager, id: string): Promise<boolean> {
  const rows: { id: string }[] = await manager.query('SELECT id FROM assignments WHERE group_id = ?', [id])
  for (const assignment of rows) await purgeAssignment(manager, assignment.id)
  for (const table of ['memberships', 'former_members', 'join_requests', 'presences'])
    await manager.query(`DELETE FROM ${table} WHERE group_id = ?`, [id])
  await manager.query('DELETE FROM class_groups WHERE id = ?', [id])
  return true
}

/** Lets a song go for good; its audio is swept away by itself. What still refers to it keeps it. @returns whether it went */
export async function purgeSong(manager: EntityManager, id: string): Promise<boolean> {
  const rows: unknown[] = await manager.query(
    `SELECT v.id FROM song_versions v WHERE v.song_id = ?
        AND (EXISTS (SELECT 1 FROM assignments a WHERE a.song_version_id = v.id)
          OR EXISTS (SELECT 1 FROM hand_ins h WHERE h.song_version_id = v.id)) LIMIT 1`,
    [id],
  )
  if (rows.length) return false
  await manager.query(
    'DELETE x FROM song_version_assets x JOIN song_versions v ON v.id = x.song_version_id WHERE v.song_id = ?',
    [id],
  )
  await manager.query('DELETE FROM song_versions WHERE song_id = ?', [id])
  await manager.query('DELETE FROM songs WHERE id = ?', [id])
  return true
}
