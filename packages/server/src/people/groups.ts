import { randomUUID } from 'node:crypto'
import type { ChangedGroup, GroupCard, GroupView, NewGroup, TrailView } from '@rudlo/contract/people'
import type { DataSource } from 'typeorm'
import { Group, JoinRequest, Membership, type Person } from './entities'
import { formerMembersOf, groupsOf, lastOf, membersOf, trailOf } from './queries'
import { freshJoinCode } from './join-code'
import { leaveTrail } from './trail'
import { groupView, trailView } from './views'

/** Classes: making and changing them, and what a teacher sees of them. */
export class Groups {
  constructor(private readonly database: DataSource) {}

  of(teacher: Person): Promise<GroupCard[]> {
    return groupsOf(this.database, teacher.id)
  }

  async create(teacher: Person, { name, place }: NewGroup): Promise<string> {
    const group = {
      id: randomUUID(),
      name: name.trim(),
      place: place.trim(),
      joinCode: freshJoinCode(),
      joinOpen: true,
      lessonDay: null,
      lessonTime: null,
      keepUntil: null,
      endedAt: null,
    }
    await this.database.transaction(async (manager) => {
      await manager.insert(Group, group)
      await manager.insert(Membership, { groupId: group.id, personId: teacher.id, role: 'teacher' })
      await leaveTrail(manager, teacher.id, 'made a group', group.id)
    })
    return group.id
  }

  async change(teacher: Person, { id }: Group, to: ChangedGroup): Promise<void> {
    const changed = {
      name: to.name.trim(),
      place: to.place.trim(),
      joinOpen: to.joinOpen,
      // a page that knows nothing of it yet changes nothing of it
      ...(to.lessonDay === undefined ? {} : { lessonDay: to.lessonDay }),
      ...(to.lessonTime === undefined ? {} : { lessonTime: to.lessonTime }),
      keepUntil: to.keepUntil ? to.keepUntil.slice(0, 10) : null,
    }
    await this.database.transaction(async (manager) => {
      await manager.update(Group, id, changed)
      await leaveTrail(manager, teacher.id, 'changed the group', id)
    })
  }

  async view(group: Group): Promise<GroupView> {
    const requests = await this.database
      .getRepository(JoinRequest)
      .find({ where: { groupId: group.id }, order: { createdAt: 'ASC' } })
    return groupView(group, {
      members: await membersOf(this.database, group.id),
      last: await lastOf(this.database, group.id),
      former: await formerMembersOf(this.database, group.id),
      requests,
    })
  }

  async trail({ id }: Group): Promise<TrailView[]> {
    return (await trailOf(this.database, id)).map(trailView)
  }
}
