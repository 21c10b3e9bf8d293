import { In, type DataSource } from 'typeorm'
import { isNewest } from '../handins/queries'
import { Spoken } from './entities'

/** The newest hand-in of a student with its marks. */
export interface MarksRow {
  readonly student: string
  /** Null where nothing was handed in. */
  readonly number: number | null
  readonly state: string | null
  readonly outcome: string | null
  readonly handedInAt: Date | null
  /** When it is due for this student. */
  readonly dueAt: Date | null
  readonly assessment: string | null
  readonly marks: string | null
  readonly comment: string | null
}

/** Marks of the newest hand-in of everybody in the class, by name. */
export const marksOf = (database: DataSource, assignment: string): Promise<MarksRow[]> =>
  database.query(
    `SELECT p.name AS student, h.number, h.state, h.outcome, h.handed_in_at AS handedInAt,
            COALESCE(e.due_at, a.due_at) AS dueAt, h.assessment, r.marks, r.comment
       FROM assignments a JOIN memberships m ON m.group_id = a.group_id AND m.role = 'student'
       JOIN people p ON p.id = m.person_id
       LEFT JOIN exceptions e ON e.assignment_id = a.id AND e.person_id = p.id
       LEFT JOIN works w ON w.assignment_id = a.id AND w.person_id = p.id
       LEFT JOIN hand_ins h ON h.work_id = w.id AND ${isNewest()}
       LEFT JOIN reviews r ON r.hand_in_id = h.id
      WHERE a.id = ? ORDER BY p.name`,
    [assignment],
  )

/** What was overruled in the newest hand-in of every student. */
export const overrulesOf = (
  database: DataSource,
  assignment: string,
): Promise<{ readonly overrules: string }[]> =>
  database.query(
    `SELECT r.overrules FROM hand_ins h JOIN works w ON w.id = h.work_id JOIN reviews r ON r.hand_in_id = h.id
      WHERE w.assignment_id = ? AND r.overrules IS NOT NULL AND ${isNewest()}`,
    [assignment],
  )

/** What is spoken for some remarks, without the recordings themselves. */
export const spokenOf = (
  database: DataSource,
  remarks: readonly string[],
): Promise<Pick<Spoken, 'remarkId' | 'ms' | 'wave'>[]> =>
  remarks.length
    ? database
        .getRepository(Spoken)
        .find({ select: { remarkId: true, ms: true, wave: true }, where: { remarkId: In([...remarks]) } })
    : Promise.resolve([])
