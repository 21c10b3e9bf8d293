import type { HandInState, MeasureProblem, Outcome } from '@rudlo/contract/handins'
import type { DataSource, EntityManager } from 'typeorm'
import { HandIn } from './entities'

/**
 * That a hand-in is the newest of its work: the one condition by which every query picks it.
 * @param h the name under which the query has `hand_ins`
 */
export const isNewest = (h = 'h') =>
  `${h}.number = (SELECT MAX(number) FROM hand_ins x WHERE x.work_id = ${h}.work_id)`

/** Hand-ins of an assignment, with their works and students. */
const OF_ASSIGNMENT = `hand_ins h JOIN works w ON w.id = h.work_id JOIN people p ON p.id = w.person_id`

/** The newest hand-in of somebody who handed in. */
export interface NewestRow {
  readonly id: string
  readonly student: string
  readonly document: string
  readonly assessment: string | null
}

/** Everybody who handed in, by name, each with the newest version. */
export const newestOfEach = (database: DataSource, assignment: string): Promise<NewestRow[]> =>
  database.query(
    `SELECT h.id, p.name AS student, h.document, h.assessment FROM ${OF_ASSIGNMENT}
      WHERE w.assignment_id = ? AND ${isNewest()} ORDER BY p.name`,
    [assignment],
  )

/** How many students stand where: the newest version of each counts. What is given back later counts as held until then. */
export async function standings(
  database: DataSource,
  assignment: string,
): Promise<Record<HandInState, number>> {
  const rows: { state: HandInState; n: string }[] = await database.query(
    `SELECT IF(h.state = 'given back' AND h.given_back_at > ?, 'held', h.state) AS state, COUNT(*) AS n
       FROM hand_ins h JOIN works w ON w.id = h.work_id
      WHERE w.assignment_id = ? AND ${isNewest()} GROUP BY 1`,
    [new Date(), assignment],
  )
  const of = (state: HandInState) => Number(rows.find((r) => r.state === state)?.n ?? 0)
  return {
    measuring: of('measuring'),
    waiting: of('waiting'),
    held: of('held'),
    'given back': of('given back'),
  }
}

/** A hand-in in the queue of an assignment. */
export interface QueueRow {
  readonly id: string
  readonly number: number
  readonly state: HandInState
  readonly outcome: Outcome | null
  readonly handedInAt: Date
  readonly givenBackAt: Date | null
  readonly openedAt: Date | null
  readonly seenAt: Date | null
  readonly sameAs: string | null
  readonly measureProblem: MeasureProblem | null
  readonly workId: string
  readonly pair: string | null
  readonly student: string
  readonly newest: number
  /** When the first version came, and when it was due for this student. */
  readonly firstAt: Date
  readonly dueAt: Date | null
}

/** Every version that was handed in for an assignment, in order. @param state only those; all where it is missing */
export const queueOf = (database: DataSource, assignment: string, state?: HandInState): Promise<QueueRow[]> =>
  database.query(
    `SELECT h.id, h.number, h.state, h.outcome, h.handed_in_at AS handedInAt, h.given_back_at AS givenBackAt,
            h.opened_at AS openedAt, h.seen_at AS seenAt, h.same_as AS sameAs, h.measure_problem AS measureProblem,
            h.work_id AS workId, h.pair, p.name AS student, ${isNewest()} AS newest,
            (SELECT MIN(x1.handed_in_at) FROM hand_ins x1 WHERE x1.work_id = h.work_id) AS firstAt,
            COALESCE(e.due_at, a.due_at) AS dueAt
       FROM ${OF_ASSIGNMENT} JOIN assignments a ON a.id = w.assignment_id
       LEFT JOIN exceptions e ON e.assignment_id = a.id AND e.person_id = w.person_id
      WHERE w.assignment_id = ? AND (? IS NULL OR h.state = ?)
      ORDER BY h.handed_in_at, h.id`,
    [assignment, state ?? null, state ?? null],
  )

/** Somebody of a class who has not handed in an assignment, and need not be excused from it. */
export interface MissingRow {
  readonly id: string
  readonly name: string
  readonly begun: number
  readonly dueAt: Date | null
}

/** Everybody of a class who has not handed in an assignment, by name. */
export const notHandedIn = (database: DataSource, assignment: string): Promise<MissingRow[]> =>
  database.query(
    `SELECT p.id, p.name, COALESCE(w.revision, 1) > 1 AS begun, COALESCE(e.due_at, a.due_at) AS dueAt
       FROM assignments a JOIN memberships m ON m.group_id = a.group_id AND m.role = 'student'
       JOIN people p ON p.id = m.person_id
       LEFT JOIN works w ON w.assignment_id = a.id AND w.person_id = p.id
       LEFT JOIN exceptions e ON e.assignment_id = a.id AND e.person_id = p.id
      WHERE a.id = ? AND NOT EXISTS (SELECT 1 FROM hand_ins h WHERE h.work_id = w.id)
        AND NOT EXISTS (SELECT 1 FROM excused_work x WHERE x.assignment_id = a.id AND x.person_id = p.id)
      ORDER BY p.name`,
    [assignment],
  )

/** When a work was due for its student; null for never. */
export async function dueOf(database: DataSource, work: string): Promise<Date | null> {
  const rows: { dueAt: Date | null }[] = await database.query(
    `SELECT COALESCE(e.due_at, a.due_at) AS dueAt FROM works w JOIN assignments a ON a.id = w.assignment_id
       LEFT JOIN exceptions e ON e.assignment_id = a.id AND e.person_id = w.person_id WHERE w.id = ?`,
    [work],
  )
  return rows[0]?.dueAt ?? null
}

/** All versions of a work, oldest first. */
export const versionsOf = (database: DataSource, work: string): Promise<HandIn[]> =>
  database.getRepository(HandIn).find({ where: { workId: work }, order: { number: 'ASC' } })

/** The newest version of a work; null where nothing was handed in. */
export const newestOf = (manager: EntityManager, work: string): Promise<HandIn | null> =>
  manager.findOne(HandIn, { where: { workId: work }, order: { number: 'DESC' } })
