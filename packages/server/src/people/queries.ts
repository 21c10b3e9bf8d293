import type { Deed } from '@rudlo/contract/people'
import type { GroupCard } from '@rudlo/contract/people'
import type { Role } from '@rudlo/contract/access'
import type { DataSource, EntityManager } from 'typeorm'
import { FormerMember, Person } from './entities'

/** The classes that somebody teaches, by name. */
export async function groupsOf(database: DataSource, teacher: string): Promise<GroupCard[]> {
  const rows: (Omit<GroupCard, 'students' | 'requests' | 'ended'> & {
    students: string
    requests: string
    endedAt: Date | null
  })[] = await database.query(
    `SELECT g.id, g.name, g.place, DATE_FORMAT(g.keep_until, '%Y-%m-%d') AS keepUntil, g.ended_at AS endedAt,
              (SELECT COUNT(*) FROM memberships s WHERE s.group_id = g.id AND s.role = 'student') AS students,
              (SELECT COUNT(*) FROM join_requests r WHERE r.group_id = g.id) AS requests
         FROM class_groups g JOIN memberships m ON m.group_id = g.id AND m.person_id = ? AND m.role = 'teacher'
        ORDER BY g.ended_at IS NOT NULL, g.name`,
    [teacher],
  )
  return rows.map(({ endedAt, ...r }) => ({
    ...r,
    students: Number(r.students),
    requests: Number(r.requests),
    ended: endedAt !== null,
  }))
}

/** Somebody in a class. */
export interface MemberRow {
  readonly id: string
  readonly name: string
  readonly signIn: string
  readonly role: Role
  readonly mustChange: number
}

/** Everybody in a class, by name. */
export const membersOf = (database: DataSource, group: string): Promise<MemberRow[]> =>
  database.query(
    `SELECT p.id, p.name, p.sign_in AS signIn, m.role, p.must_change AS mustChange FROM memberships m
       JOIN people p ON p.id = m.person_id WHERE m.group_id = ? ORDER BY p.name`,
    [group],
  )

/** What a student did last in a class. */
export interface LastRow {
  readonly person: string
  readonly title: string
  readonly savedAt: Date
  readonly handedInAt: Date | null
}

/** Every work of a class that was changed or handed in, the newest first. */
export const lastOf = (database: DataSource, group: string): Promise<LastRow[]> =>
  database.query(
    `SELECT w.person_id AS person, a.title, w.updated_at AS savedAt,
            (SELECT MAX(h.handed_in_at) FROM hand_ins h WHERE h.work_id = w.id) AS handedInAt
       FROM works w JOIN assignments a ON a.id = w.assignment_id
      WHERE a.group_id = ? AND a.removed_at IS NULL AND (w.revision > 1 OR EXISTS (SELECT 1 FROM hand_ins i WHERE i.work_id = w.id))
      ORDER BY w.updated_at DESC`,
    [group],
  )

/** Somebody who was taken out of a class. */
export interface FormerRow {
  readonly id: string
  readonly name: string
  readonly signIn: string
  readonly role: Role
  readonly leftAt: Date
}

/** Everybody who was taken out of a class, by name. */
export const formerMembersOf = (database: DataSource, group: string): Promise<FormerRow[]> =>
  database
    .getRepository(FormerMember)
    .createQueryBuilder('f')
    .innerJoin(Person, 'p', 'p.id = f.person_id')
    .select('p.id', 'id')
    .addSelect('p.name', 'name')
    .addSelect('p.sign_in', 'signIn')
    .addSelect('f.role', 'role')
    .addSelect('f.left_at', 'leftAt')
    .where('f.group_id = :group', { group })
    .orderBy('p.name')
    .getRawMany()

/** Whether somebody teaches a class that a student is in, or was taken out of. */
export async function teaches(database: DataSource, teacher: string, student: string): Promise<boolean> {
  const rows: unknown[] = await database.query(
    `SELECT s.person_id AS id
       FROM (SELECT group_id, person_id, role FROM memberships WHERE person_id = ?
             UNION SELECT group_id, person_id, role FROM former_members WHERE person_id = ?) s
       JOIN memberships t ON t.group_id = s.group_id
      WHERE s.role = 'student' AND t.person_id = ? AND t.role = 'teacher' LIMIT 1`,
    [student, student, teacher],
  )
  return rows.length > 0
}

/** A student whom a teacher knows, and a class of the teacher's that they are in; null for one that was left. */
export interface KnownRow {
  readonly id: string
  readonly name: string
  readonly signIn: string
  readonly schoolId: string | null
  readonly group: string | null
  readonly groupName: string | null
}

/** Every student of the classes of a teacher, also those who were taken out of one: a row for each class. */
export const knownTo = (database: DataSource, teacher: string): Promise<KnownRow[]> =>
  database.query(
    `SELECT DISTINCT p.id, p.name, p.sign_in AS signIn, p.school_id AS schoolId, s.here AS \`group\`, g.name AS groupName
       FROM (SELECT group_id, person_id, group_id AS here FROM memberships WHERE role = 'student'
             UNION SELECT group_id, person_id, NULL FROM former_members WHERE role = 'student') s
       JOIN memberships t ON t.group_id = s.group_id AND t.person_id = ? AND t.role = 'teacher'
       JOIN people p ON p.id = s.person_id LEFT JOIN class_groups g ON g.id = s.here
      ORDER BY p.name, p.id`,
    [teacher],
  )

/** Everybody's sign-in name. */
export async function signInNames(database: DataSource): Promise<Set<string>> {
  const rows: { n: string }[] = await database.query('SELECT sign_in AS n FROM people')
  return new Set(rows.map((r) => r.n))
}

/** Something that was done in a class. */
export interface TrailRow {
  readonly what: Deed
  readonly at: Date
  readonly who: string
  readonly whom: string | null
  readonly assignment: string | null
}

/** Who belongs to a group, or did. */
const OF_GROUP =
  'SELECT person_id FROM memberships WHERE group_id = ? UNION SELECT person_id FROM former_members WHERE group_id = ?'

/** What was done in a class, newest first, at most 300. */
export const trailOf = (database: DataSource, group: string): Promise<TrailRow[]> =>
  database.query(
    `SELECT t.what, t.at, p.name AS who, s.name AS whom, a.title AS assignment
           FROM trail t JOIN people p ON p.id = t.person_id
           LEFT JOIN people s ON s.id = t.subject
           LEFT JOIN hand_ins h ON h.id = t.subject
           LEFT JOIN works w ON w.id = h.work_id
           LEFT JOIN assignments a ON a.id = t.subject OR a.id = w.assignment_id
          WHERE t.person_id IN (${OF_GROUP})
            AND (a.group_id = ? OR (a.id IS NULL AND (t.subject = ? OR s.id IN (${OF_GROUP}))))
          ORDER BY t.id DESC LIMIT 300`,
    [group, group, group, group, group, group],
  )

/** How many requests to join a class has from whoever asked most often, and who that is as a hash. */
export async function askedMost(manager: EntityManager, group: string): Promise<string> {
  const rows: { askedFrom: string }[] = await manager.query(
    'SELECT asked_from AS askedFrom FROM join_requests WHERE group_id = ? GROUP BY asked_from ORDER BY COUNT(*) DESC LIMIT 1',
    [group],
  )
  return rows[0]?.askedFrom ?? ''
}

/** Lets go of the oldest request to join a class that came from somewhere. */
export const dropOldestRequest = (manager: EntityManager, group: string, from: string): Promise<unknown> =>
  manager.query(
    'DELETE FROM join_requests WHERE group_id = ? AND asked_from = ? ORDER BY created_at LIMIT 1',
    [group, from],
  )
