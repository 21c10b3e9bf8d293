import { In, type DataSource } from 'typeorm'
import { isNewest } from '../handins/queries'
import { Spoken } from './entities'

/** The newest hand-in of a student with its marks. */
export interface MarksRow {
  readonly student: string
  readonly number: number
  readonly state: string
  readonly outcome: string | null
  readonly handedInAt: Date
  readonly assessment: string | null
  readonly marks: string | null
  readonly comment: string | null
}

/** Marks of the newest hand-in of every student, by name. */
export const marksOf = (database: DataSource, assignment: string): Promise<MarksRow[]> =>
  database.query(
    `SELECT p.name AS student, h.number, h.state, h.outcome, h.handed_in_at AS handedInAt, h.assessment, r.marks, r.comment
       FROM hand_ins h JOIN works w ON w.id = h.work_id JOIN people p ON p.id = w.person_id
       LEFT JOIN reviews r ON r.hand_in_id = h.id
      WHERE w.assignment_id = ? AND ${isNewest()} ORDER BY p.name`,
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
