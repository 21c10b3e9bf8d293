import type { DataSource } from 'typeorm'
import { marks } from '../term/queries'

/** Why somebody need not do an assignment. */
export interface ExcuseRow {
  readonly assignment: string
  readonly student: string
  readonly reason: string
}

export const excusesOf = (database: DataSource, assignments: readonly string[]): Promise<ExcuseRow[]> =>
  database.query(
    `SELECT assignment_id AS assignment, person_id AS student, reason FROM excused_work WHERE assignment_id IN (${marks(assignments)})`,
    [...assignments],
  )

/** A mark that was changed. */
export interface ChangeRow {
  readonly assignment: string
  readonly student: string
  readonly criterion: string
  readonly was: number | null
  readonly became: number | null
  readonly by: string
  readonly at: Date
}

/** Marks of some assignments that were changed after they were given, oldest first. */
export const changesOf = (database: DataSource, assignments: readonly string[]): Promise<ChangeRow[]> =>
  database.query(
    `SELECT w.assignment_id AS assignment, w.person_id AS student, c.criterion, c.was, c.became, p.name AS \`by\`, c.at
       FROM works w JOIN hand_ins h ON h.work_id = w.id JOIN mark_changes c ON c.hand_in_id = h.id
       JOIN people p ON p.id = c.author_id
      WHERE w.assignment_id IN (${marks(assignments)}) ORDER BY c.id`,
    [...assignments],
  )

/** An overall mark that was given by hand. */
export interface OverallRow {
  readonly student: string
  readonly share: number | null
  readonly reason: string
  readonly by: string
  readonly at: Date
}

/** Every overall mark of a class that was given by hand, the newest first. */
export const overallsOf = (database: DataSource, group: string): Promise<OverallRow[]> =>
  database.query(
    `SELECT o.person_id AS student, o.share, o.reason, p.name AS \`by\`, o.at FROM overall_grades o
       JOIN people p ON p.id = o.author_id WHERE o.group_id = ? ORDER BY o.id DESC`,
    [group],
  )

/** What a school's own lists know the students of a class by. */
export const schoolIdsOf = (
  database: DataSource,
  group: string,
): Promise<{ readonly id: string; readonly schoolId: string | null; readonly signIn: string }[]> =>
  database.query(
    `SELECT p.id, p.school_id AS schoolId, p.sign_in AS signIn FROM memberships m JOIN people p ON p.id = m.person_id
      WHERE m.group_id = ? AND m.role = 'student'`,
    [group],
  )
