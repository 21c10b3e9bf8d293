import { randomUUID } from 'node:crypto'
import { words } from '@rudlo/words'
import type { NewSmallGroup, SmallGroupView } from '@rudlo/contract/term'
import { In, type DataSource } from 'typeorm'
import { badInput, notFound } from '../http/problem'
import { Membership, type Group } from '../people/entities'
import { SmallGroup, SmallGroupMember } from './entities'
import { membersOfSmallGroups } from './queries'

/** A class has so many small groups at most. */
const MOST = 30

/** Students of a class who do something together in the next lesson. */
export class SmallGroups {
  constructor(private readonly database: DataSource) {}

  /** Those of some classes, by class, the oldest first: each with who of it is in the class. One that nobody is left in is not among them. */
  async of(groups: readonly string[]): Promise<ReadonlyMap<string, readonly SmallGroupView[]>> {
    const all = new Map<string, SmallGroupView[]>()
    for (const { id, title, group, student } of await membersOfSmallGroups(this.database, groups)) {
      const here = all.get(group) ?? []
      const last = here.at(-1)
      if (last?.id === id) here[here.length - 1] = { ...last, students: [...last.students, student] }
      else here.push({ id, title, students: [student] })
      all.set(group, here)
    }
    return all
  }

  /** Puts students together. @throws Problem 400 where nobody of them is in the class, or there are too many groups */
  async make({ id: groupId }: Group, { title, students }: NewSmallGroup): Promise<void> {
    await this.database.transaction(async (manager) => {
      const members = await manager.findBy(Membership, { groupId, personId: In(students), role: 'student' })
      if (!members.length) throw badInput(words('bad.term.small-group-nobody'))
      if ((await manager.countBy(SmallGroup, { groupId })) >= MOST)
        throw badInput(words('bad.term.small-group-many', { most: MOST }))
      const id = randomUUID()
      await manager.insert(SmallGroup, { id, groupId, title, createdAt: new Date() })
      await manager.insert(
        SmallGroupMember,
        members.map(({ personId }) => ({ smallGroupId: id, personId })),
      )
    })
  }

  /** Takes one apart; the students stay in the class. @throws Problem 404 */
  async part({ id: groupId }: Group, id: string): Promise<void> {
    const { affected } = await this.database.getRepository(SmallGroup).delete({ id, groupId })
    if (!affected) throw notFound()
  }
}
