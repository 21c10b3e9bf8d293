import type { HandInState, Outcome } from '@rudlo/contract/handins'
import type { DataSource } from 'typeorm'
import { isNewest } from '../handins/queries'

/** An assignment of a class that its students can see by now. */
export interface AssignmentRow {
  readonly id: string
  readonly groupId: string
  readonly title: string
  readonly songVersionId: string
  readonly brief: string
  readonly rubric: string
  readonly dueAt: Date | null
  readonly opensAt: Date | null
  readonly createdAt: Date
}

/** A list of `?` for so many values; one that fits nothing for none. */
export const marks = (values: readonly unknown[]) =>
  values.length ? values.map(() => '?').join(',') : 'NULL'

/** Every assignment that was given to some classes by now, in the order of the term: by when it is due, else by when it was made. */
export const termAssignments = (database: DataSource, groups: readonly string[]): Promise<AssignmentRow[]> =>
  database.query(
    `SELECT a.id, a.group_id AS groupId, a.title, a.song_version_id AS songVersionId, a.brief, a.rubric, a.due_at AS dueAt,
            a.opens_at AS opensAt, a.created_at AS createdAt
       FROM assignments a
      WHERE a.group_id IN (${marks(groups)}) AND a.draft = 0 AND a.removed_at IS NULL AND (a.opens_at IS NULL OR a.opens_at <= ?)
      ORDER BY COALESCE(a.due_at, a.created_at), a.created_at, a.id`,
    [...groups, new Date()],
  )

/** A student of a class. */
export interface StudentRow {
  readonly groupId: string
  readonly id: string
  readonly name: string
}

/** Every student of some classes, by name. */
export const studentsOf = (database: DataSource, groups: readonly string[]): Promise<StudentRow[]> =>
  database.query(
    `SELECT m.group_id AS groupId, p.id, p.name FROM memberships m JOIN people p ON p.id = m.person_id
      WHERE m.group_id IN (${marks(groups)}) AND m.role = 'student' ORDER BY p.name, p.id`,
    [...groups],
  )

/** What one student did for one assignment, with the newest version. */
export interface WorkRow {
  readonly work: string
  readonly assignment: string
  readonly student: string
  /** When it was last changed; null where nothing was done. */
  readonly editedAt: Date | null
  readonly firstAt: Date | null
  readonly hints: string
  readonly handIn: string | null
  readonly number: number | null
  readonly state: HandInState | null
  readonly outcome: Outcome | null
  readonly handedInAt: Date | null
  readonly givenBackAt: Date | null
  readonly seenAt: Date | null
  readonly figures: string | null
  readonly overrules: string | null
  readonly marks: string | null
}

/** The statement of {@link worksOf}: a test looks at how the database goes about it. */
export const worksSql = (assignments: readonly string[], student?: string) =>
  `SELECT w.id AS work, w.assignment_id AS assignment, w.person_id AS student,
          IF(w.revision > 1, w.updated_at, NULL) AS editedAt,
          (SELECT MIN(x1.handed_in_at) FROM hand_ins x1 WHERE x1.work_id = w.id) AS firstAt,
          (SELECT COUNT(*) FROM opened_hints o WHERE o.work_id = w.id) AS hints,
          h.id AS handIn, h.number, h.state, h.outcome, h.handed_in_at AS handedInAt, h.given_back_at AS givenBackAt,
          h.seen_at AS seenAt, f.figures, r.overrules, r.marks
     FROM works w
     LEFT JOIN hand_ins h ON h.work_id = w.id AND ${isNewest()}
     LEFT JOIN hand_in_figures f ON f.hand_in_id = h.id
     LEFT JOIN reviews r ON r.hand_in_id = h.id
    WHERE w.assignment_id IN (${marks(assignments)})${student === undefined ? '' : ' AND w.person_id = ?'}`

/** Every work for some assignments. @param student only theirs */
export const worksOf = (
  database: DataSource,
  assignments: readonly string[],
  student?: string,
): Promise<WorkRow[]> =>
  database.query(worksSql(assignments, student), [
    ...assignments,
    ...(student === undefined ? [] : [student]),
  ])

/** Something that holds for one student: a date of their own, or that they need not do it. */
export interface OwnRow {
  readonly assignment: string
  readonly student: string
  readonly dueAt: Date | null
  readonly excused: number
}

/** What holds for single students of some assignments. */
export const ownTerms = (database: DataSource, assignments: readonly string[]): Promise<OwnRow[]> =>
  database.query(
    `SELECT e.assignment_id AS assignment, e.person_id AS student, e.due_at AS dueAt, 0 AS excused
       FROM exceptions e WHERE e.due_at IS NOT NULL AND e.assignment_id IN (${marks(assignments)})
      UNION ALL
     SELECT x.assignment_id, x.person_id, NULL, 1 FROM excused_work x WHERE x.assignment_id IN (${marks(assignments)})`,
    [...assignments, ...assignments],
  )

/** A version of one student, for the view of a term. */
export interface VersionRow {
  readonly id: string
  readonly assignment: string
  readonly number: number
  readonly state: HandInState
  readonly outcome: Outcome | null
  readonly handedInAt: Date
  readonly givenBackAt: Date | null
  readonly figures: string | null
  readonly overrules: string | null
  readonly marks: string | null
  readonly comment: string | null
  readonly remarks: string
}

/** Every version of one student for some assignments, oldest first. */
export const versionsOfStudent = (
  database: DataSource,
  student: string,
  assignments: readonly string[],
): Promise<VersionRow[]> =>
  database.query(
    `SELECT h.id, w.assignment_id AS assignment, h.number, h.state, h.outcome, h.handed_in_at AS handedInAt,
            h.given_back_at AS givenBackAt, f.figures, r.overrules, r.marks, r.comment,
            (SELECT COUNT(*) FROM remarks k WHERE k.hand_in_id = h.id) AS remarks
       FROM works w JOIN hand_ins h ON h.work_id = w.id
       LEFT JOIN hand_in_figures f ON f.hand_in_id = h.id
       LEFT JOIN reviews r ON r.hand_in_id = h.id
      WHERE w.person_id = ? AND w.assignment_id IN (${marks(assignments)}) ORDER BY h.number`,
    [student, ...assignments],
  )

/** When one student did something for some assignments: each minute once. */
export const stepsOf = (
  database: DataSource,
  student: string,
  assignments: readonly string[],
): Promise<{ readonly assignment: string; readonly at: Date }[]> =>
  database.query(
    `SELECT w.assignment_id AS assignment, MIN(c.at) AS at FROM works w JOIN work_commands c ON c.work_id = w.id
      WHERE w.person_id = ? AND w.assignment_id IN (${marks(assignments)})
      GROUP BY w.assignment_id, DATE_FORMAT(c.at, '%Y%m%d%H%i')`,
    [student, ...assignments],
  )

/** A marked hand-in of a student who allows it to be shown. */
export interface SharedRow {
  readonly handIn: string
  readonly marks: string
}

/** The newest hand-ins of an assignment that are back, are marked, and may be shown to the class; in an order that tells no name. */
export const sharedOf = (database: DataSource, assignment: string): Promise<SharedRow[]> =>
  database.query(
    `SELECT h.id AS handIn, r.marks FROM works w
       JOIN assignments a ON a.id = w.assignment_id
       JOIN memberships m ON m.group_id = a.group_id AND m.person_id = w.person_id AND m.shares = 1
       JOIN hand_ins h ON h.work_id = w.id AND ${isNewest()} AND h.state = 'given back' AND h.given_back_at <= ?
       JOIN reviews r ON r.hand_in_id = h.id
      WHERE w.assignment_id = ? ORDER BY h.id`,
    [new Date(), assignment],
  )

/** A class that somebody teaches, for their first page. */
export interface TodayGroupRow {
  readonly id: string
  readonly name: string
  readonly place: string
  readonly requests: string
  readonly lessonDay: number | null
  readonly lessonTime: string | null
}

/** The classes of a teacher, by name. */
export const todayGroups = (database: DataSource, teacher: string): Promise<TodayGroupRow[]> =>
  database.query(
    `SELECT g.id, g.name, g.place, g.lesson_day AS lessonDay, g.lesson_time AS lessonTime,
            (SELECT COUNT(*) FROM join_requests r WHERE r.group_id = g.id) AS requests
       FROM memberships m JOIN class_groups g ON g.id = m.group_id
      WHERE m.person_id = ? AND m.role = 'teacher' AND g.ended_at IS NULL ORDER BY g.name, g.id`,
    [teacher],
  )

/** A hand that is up. */
export interface HandRow {
  readonly id: string
  readonly name: string
  readonly group: string
  readonly assignment: string
  readonly title: string
  readonly since: Date
}

/** Who wants help at a bench that was heard of since a moment, whoever asked first first. */
export const handsUp = (database: DataSource, groups: readonly string[], since: Date): Promise<HandRow[]> =>
  database.query(
    `SELECT p.id, p.name, q.group_id AS \`group\`, a.id AS assignment, a.title, q.help_at AS since
       FROM presences q JOIN people p ON p.id = q.person_id JOIN assignments a ON a.id = q.assignment_id
      WHERE q.group_id IN (${marks(groups)}) AND q.help_at IS NOT NULL AND q.seen_at >= ? ORDER BY q.help_at`,
    [...groups, since],
  )

/** Somebody in a small group. */
export interface SmallGroupRow {
  readonly id: string
  readonly title: string
  readonly group: string
  readonly student: string
}

/** The small groups of some classes, the oldest first, with those who are in the class: by name. */
export const membersOfSmallGroups = (
  database: DataSource,
  groups: readonly string[],
): Promise<SmallGroupRow[]> =>
  database.query(
    `SELECT s.id, s.title, s.group_id AS \`group\`, p.id AS student
       FROM small_groups s JOIN small_group_members n ON n.small_group_id = s.id
            JOIN memberships m ON m.group_id = s.group_id AND m.person_id = n.person_id AND m.role = 'student'
            JOIN people p ON p.id = n.person_id
      WHERE s.group_id IN (${marks(groups)}) ORDER BY s.created_at, s.id, p.name`,
    [...groups],
  )
