import { randomUUID } from 'node:crypto'
import { words } from '@rudlo/words'
import type { NextTerm } from '@rudlo/contract/people'
import { In, IsNull, type DataSource } from 'typeorm'
import { Assignment } from '../assignments/entities'
import { notNow } from '../http/problem'
import { Group, Membership, type Person } from './entities'
import { freshJoinCode } from './join-code'
import { leaveTrail } from './trail'

/** Ending a term and beginning the next one. */
export class NextTerms {
  constructor(private readonly database: DataSource) {}

  /**
   * Begins a new term: a class with the same teachers, with the same students where that is wanted, and with some of the assignments
   * as drafts. The term before is only looked at from then on.
   * @returns the id of the new class
   * @throws Problem 409 where the term has ended already
   */
  async begin(teacher: Person, group: Group, to: NextTerm): Promise<string> {
    const id = randomUUID()
    const now = new Date()
    await this.database.transaction(async (manager) => {
      // of two at once one begins the new term
      const ended = await manager.update(
        Group,
        { id: group.id, endedAt: IsNull() },
        { endedAt: now, joinOpen: false },
      )
      if (!ended.affected) throw notNow(words('work.term-ended'))
      const { lessonDay, lessonTime } = group
      await manager.insert(Group, {
        id,
        name: to.name.trim(),
        place: to.place.trim(),
        joinCode: freshJoinCode(),
        joinOpen: true,
        lessonDay,
        lessonTime,
        keepUntil: null,
        endedAt: null,
      })
      const members = await manager.findBy(Membership, { groupId: group.id })
      // whether own work may be shown is for each class to be asked
      await manager.insert(
        Membership,
        members
          .filter(({ role }) => role === 'teacher' || to.students)
          .map(({ personId, role }) => ({ groupId: id, personId, role, shares: false })),
      )
      const assignments = to.assignments.length
        ? await manager.findBy(Assignment, {
            id: In([...to.assignments]),
            groupId: group.id,
            removedAt: IsNull(),
          })
        : []
      for (const [i, assignment] of assignments.entries())
        await manager.insert(Assignment, {
          ...assignment,
          id: randomUUID(),
          groupId: id,
          draft: true,
          opensAt: null,
          dueAt: null,
          givenWith: null,
          revision: 1,
          // in their order
          createdAt: new Date(now.getTime() + i),
        })
      await leaveTrail(manager, teacher.id, 'began a new term', group.id)
    })
    return id
  }

  /** Lets a term that has ended go on again. */
  async reopen(teacher: Person, { id }: Group): Promise<void> {
    await this.database.transaction(async (manager) => {
      await manager.update(Group, id, { endedAt: null })
      await leaveTrail(manager, teacher.id, 'changed the group', id)
    })
  }
}
