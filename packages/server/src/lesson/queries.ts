import type { DataSource } from 'typeorm'

/** A student of a group, and where they are; all null where the bench was never heard of. */
export interface PresenceRow {
  readonly id: string
  readonly name: string
  readonly assignment: string | null
  readonly task: string | null
  readonly seenAt: Date | null
  readonly actedAt: Date | null
  readonly helpAt: Date | null
  readonly shows: number | null
}

/** Every student of a group, by name, and where they are. */
export const presencesOf = (database: DataSource, group: string): Promise<PresenceRow[]> =>
  database.query(
    `SELECT p.id, p.name, q.assignment_id AS assignment, q.task, q.seen_at AS seenAt, q.acted_at AS actedAt,
            q.help_at AS helpAt, q.shows FROM memberships m JOIN people p ON p.id = m.person_id
       LEFT JOIN presences q ON q.person_id = p.id AND q.group_id = m.group_id
      WHERE m.group_id = ? AND m.role = 'student' ORDER BY p.name`,
    [group],
  )
