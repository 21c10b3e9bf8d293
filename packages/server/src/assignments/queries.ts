import type { ExceptionView } from '@rudlo/contract/assignments'
import { In, type DataSource, type EntityManager } from 'typeorm'
import { Group, Membership, type Person } from '../people/entities'
import { Work } from '../works/entities'
import { Assignment } from './entities'

/** Every assignment of the groups that somebody is in, newest first. */
export const assignmentsOf = (database: DataSource, person: Person): Promise<Assignment[]> =>
  database
    .getRepository(Assignment)
    .createQueryBuilder('a')
    .innerJoin(Membership, 'm', 'm.group_id = a.group_id AND m.person_id = :id AND m.role = :role', {
      id: person.id,
      role: person.role,
    })
    .where('a.removed_at IS NULL')
    .orderBy('a.created_at', 'DESC')
    .getMany()

/** The groups of assignments, by id. */
export async function groupsOfAll(
  database: DataSource,
  assignments: readonly Assignment[],
): Promise<ReadonlyMap<string, Group>> {
  const groups = await database.getRepository(Group).findBy({ id: In(assignments.map((a) => a.groupId)) })
  return new Map(groups.map((g) => [g.id, g]))
}

/** How many students a group has. */
export const countStudents = (database: DataSource, groupId: string): Promise<number> =>
  database.getRepository(Membership).countBy({ groupId, role: 'student' })

/** Somebody's work for an assignment; null where they have not opened it. */
export const workFor = (database: DataSource, assignmentId: string, personId: string): Promise<Work | null> =>
  database.getRepository(Work).findOneBy({ assignmentId, personId })

/** A student, and what was made different for them. */
export interface ExceptionRow extends Omit<ExceptionView, 'dueAt' | 'brief'> {
  readonly dueAt: Date | null
  readonly brief: string | null
}

/** Every student of an assignment's group, by name, with what was made different for them. */
export const exceptionsOf = (database: DataSource, { id, groupId }: Assignment): Promise<ExceptionRow[]> =>
  database.query(
    `SELECT p.id, p.name, e.due_at AS dueAt, e.brief FROM memberships m JOIN people p ON p.id = m.person_id
       LEFT JOIN exceptions e ON e.person_id = p.id AND e.assignment_id = ?
      WHERE m.group_id = ? AND m.role = 'student' ORDER BY p.name`,
    [id, groupId],
  )

/** A group of a teacher, and what it has of an assignment. */
export interface GroupRow {
  readonly group: string
  readonly name: string
  readonly students: number
  readonly assignment: string | null
  readonly dueAt: Date | null
}

/**
 * All groups of a teacher, by name, and which of them have an assignment.
 * @param first the first of those that were given together
 */
export async function groupsWith(
  manager: EntityManager,
  teacher: string,
  first: string,
): Promise<GroupRow[]> {
  const rows: (Omit<GroupRow, 'students'> & { students: string })[] = await manager.query(
    `SELECT g.id AS \`group\`, g.name, a.id AS assignment, a.due_at AS dueAt,
            (SELECT COUNT(*) FROM memberships s WHERE s.group_id = g.id AND s.role = 'student') AS students
       FROM class_groups g JOIN memberships m ON m.group_id = g.id AND m.person_id = ? AND m.role = 'teacher'
       LEFT JOIN assignments a ON a.group_id = g.id AND a.removed_at IS NULL AND (a.id = ? OR a.given_with = ?)
      ORDER BY g.name`,
    [teacher, first, first],
  )
  return rows.map((r) => ({ ...r, students: Number(r.students) }))
}
