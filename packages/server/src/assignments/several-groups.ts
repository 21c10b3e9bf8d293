import { words } from '@rudlo/words'
import { randomUUID } from 'node:crypto'
import type { GroupAndDate, GroupOfAssignment } from '@rudlo/contract/assignments'
import type { DataSource, EntityManager } from 'typeorm'
import { dateOf } from '../http/moment'
import { badInput, notFound, notNow } from '../http/problem'
import type { Person } from '../people/entities'
import { leaveTrail } from '../people/trail'
import { Assignment } from './entities'
import { groupsWith } from './queries'
import { groupOfAssignmentView } from './views'

/** The first of those that were given together: all others name it. */
const firstOf = ({ id, givenWith }: Assignment) => givenWith ?? id

/**
 * One assignment for several groups. Each group has an assignment of its own, with its own dates and hand-ins; what they
 * have in common can be changed in all of them at once.
 */
export class SeveralGroups {
  constructor(private readonly database: DataSource) {}

  /** All groups of a teacher, and which of them have the assignment. */
  async of(person: Person, assignment: Assignment): Promise<GroupOfAssignment[]> {
    const rows = await groupsWith(this.database.manager, person.id, firstOf(assignment))
    return rows.map(groupOfAssignmentView)
  }

  /**
   * Gives an assignment to more groups, as it is saved: all of them get it, or none does.
   * @throws Problem where a group is not the teacher's, is empty, has it already, or would get it due before it opens
   */
  async give(person: Person, assignment: Assignment, wanted: readonly GroupAndDate[]): Promise<number> {
    const known = new Map((await this.of(person, assignment)).map((g) => [g.group, g]))
    const made = wanted.map(({ group, dueAt }) => {
      const found = known.get(group)
      if (!found) throw notFound()
      if (found.assignment) throw notNow(words('assignment.assignment-already', { name: found.name }))
      if (!found.students) throw badInput(words('assignment.no-students-yet', { name: found.name }))
      const due = dateOf(dueAt)
      if (due && assignment.opensAt && due <= assignment.opensAt)
        throw badInput(words('assignment.due-date-before', { name: found.name }))
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
    const others = (await groupsWith(manager, person.id, firstOf(assignment))).flatMap((g) =>
      g.assignment && g.assignment !== assignment.id ? [g.assignment] : [],
    )
    for (const id of others) {
      await manager.update(Assignment, { id }, { ...change, revision: () => 'revision + 1' })
      await leaveTrail(manager, person.id, 'changed the assignment', id)
    }
    return others.length
  }
}
