import { randomUUID } from 'node:crypto'
import { Type } from 'class-transformer'
import { ArrayMaxSize, ArrayMinSize, ArrayUnique, IsArray, ValidateNested } from 'class-validator'
import type { DataSource, EntityManager } from 'typeorm'
import { IsId, IsMoment } from '../http/fields'
import { badInput, notFound, notNow } from '../http/problem'
import type { Person } from '../people/person.entity'
import { leaveTrail } from '../people/trail'
import { Assignment } from './assignment.entity'

class GroupAndDate {
  @IsId()
  group!: string

  @IsMoment('The due date is not a date')
  dueAt!: string | null
}

/** Groups that get an assignment as well, each with its own due date. */
export class MoreGroupsBody {
  @IsArray({ message: 'Say which groups' })
  @ArrayMinSize(1, { message: 'Say which groups' })
  @ArrayMaxSize(50, { message: 'At most 50 groups at once' })
  @ArrayUnique((g: GroupAndDate) => g.group, { message: 'Each group once' })
  @ValidateNested({ each: true })
  @Type(() => GroupAndDate)
  groups!: GroupAndDate[]
}

/** A group of a teacher, and what it has of an assignment. */
export interface GroupOfAssignment {
  readonly group: string
  readonly name: string
  readonly students: number
  /** The group's own assignment; null where it has none yet. */
  readonly assignment: string | null
  readonly dueAt: Date | null
}

/** The first of those that were given together: all others name it. */
const firstOf = ({ id, givenWith }: Assignment) => givenWith ?? id

/**
 * One assignment for several groups. Each group has an assignment of its own, with its own dates and hand-ins; what they
 * have in common can be changed in all of them at once.
 */
export class SeveralGroups {
  constructor(private readonly database: DataSource) {}

  /** All groups of a teacher, and which of them have the assignment. */
  async of(
    person: Person,
    assignment: Assignment,
    manager: EntityManager = this.database.manager,
  ): Promise<GroupOfAssignment[]> {
    const first = firstOf(assignment)
    const rows: (Omit<GroupOfAssignment, 'students'> & { students: string })[] = await manager.query(
      `SELECT g.id AS \`group\`, g.name, a.id AS assignment, a.due_at AS dueAt,
              (SELECT COUNT(*) FROM memberships s WHERE s.group_id = g.id AND s.role = 'student') AS students
         FROM class_groups g JOIN memberships m ON m.group_id = g.id AND m.person_id = ? AND m.role = 'teacher'
         LEFT JOIN assignments a ON a.group_id = g.id AND (a.id = ? OR a.given_with = ?)
        ORDER BY g.name`,
      [person.id, first, first],
    )
    return rows.map((r) => ({ ...r, students: Number(r.students) }))
  }

  /**
   * Gives an assignment to more groups, as it is saved: all of them get it, or none does.
   * @throws Problem where a group is not the teacher's, is empty, has it already, or would get it due before it opens
   */
  async give(person: Person, assignment: Assignment, wanted: MoreGroupsBody['groups']): Promise<number> {
    const known = new Map((await this.of(person, assignment)).map((g) => [g.group, g]))
    const made = wanted.map(({ group, dueAt }) => {
      const found = known.get(group)
      if (!found) throw notFound()
      if (found.assignment) throw notNow(`${found.name} has this assignment already.`)
      if (!found.students)
        throw badInput(`${found.name} has no students yet: nobody would get it. Add students first.`)
      const due = dueAt ? new Date(dueAt) : null
      if (due && assignment.opensAt && due <= assignment.opensAt)
        throw badInput(`For ${found.name} it would be due before it opens.`)
      return {
        ...assignment,
        id: randomUUID(),
        groupId: group,
        dueAt: due,
        givenWith: firstOf(assignment),
        createdAt: new Date(),
        revision: 1,
      }
    })
    await this.database.transaction(async (manager) => {
      await manager.insert(Assignment, made)
      for (const { id } of made) await leaveTrail(manager, person.id, 'assigned', id)
    })
    return made.length
  }

  /**
   * Brings what was changed of one assignment to the others that a teacher gave it with. Each keeps its own dates and rubric.
   * @returns how many there were
   */
  async follow(
    manager: EntityManager,
    person: Person,
    assignment: Assignment,
    change: Pick<Assignment, 'title' | 'brief' | 'modelHeard' | 'handInLimit' | 'startingMix'> &
      Partial<Pick<Assignment, 'model'>>,
  ): Promise<number> {
    const others = (await this.of(person, assignment, manager)).flatMap((g) =>
      g.assignment && g.assignment !== assignment.id ? [g.assignment] : [],
    )
    for (const id of others) {
      await manager.update(Assignment, { id }, { ...change, revision: () => 'revision + 1' })
      await leaveTrail(manager, person.id, 'changed the assignment', id)
    }
    return others.length
  }
}
