import { words } from '@rudlo/words'
import type { Role } from '@rudlo/contract/access'
import { randomUUID } from 'node:crypto'
import { freshSignInName, type RosterRow } from '@rudlo/core/roster'
import type { KnownView, NewTeacher, SignInCard } from '@rudlo/contract/people'
import type { DataSource, EntityManager } from 'typeorm'
import { firstPassword } from '../access/first-password'
import { hashPassword } from '../access/passwords'
import type { Sessions } from '../access/sessions'
import { badInput, notFound, notNow } from '../http/problem'
import type { Happenings } from '../live/happenings'
import { FormerMember, Group, Membership, Person } from './entities'
import { knownTo, signInNames, teaches } from './queries'
import { leaveTrail } from './trail'

/** Students and teachers of groups: who comes in, and how. */
export class People {
  constructor(
    private readonly database: DataSource,
    private readonly sessions: Sessions,
    private readonly happenings: Happenings,
  ) {}

  /** A group that a person teaches. @throws Problem 404 */
  async group(teacher: Person, id: string): Promise<Group> {
    const key = { groupId: id, personId: teacher.id, role: 'teacher' as const }
    const group = await this.database.getRepository(Group).findOneBy({ id })
    if (!group || !(await this.database.getRepository(Membership).findOneBy(key))) throw notFound()
    return group
  }

  /** The same, where it may be changed: its term goes on. @throws Problem 404 or 409 */
  async openGroup(teacher: Person, id: string): Promise<Group> {
    const group = await this.group(teacher, id)
    if (group.endedAt) throw notNow(words('work.term-ended'))
    return group
  }

  /** What a group is called. */
  async groupName(id: string): Promise<string> {
    return (await this.database.getRepository(Group).findOneBy({ id }))?.name ?? ''
  }

  /** How many groups a person is in. */
  countOf(personId: string): Promise<number> {
    return this.database.getRepository(Membership).countBy({ personId })
  }

  /** Whether a teacher was taken out of the last group that they taught; who never had one may begin. */
  async isOut({ id: personId, role }: Person): Promise<boolean> {
    if (role !== 'teacher' || (await this.countOf(personId))) return false
    return this.database.getRepository(FormerMember).existsBy({ personId, role: 'teacher' })
  }

  /** Somebody in a group that a teacher teaches. @throws Problem 404 */
  async member(teacher: Person, groupId: string, personId: string, role: Role): Promise<Person> {
    await this.group(teacher, groupId)
    const person = await this.database.getRepository(Person).findOneBy({ id: personId, role })
    const key = { groupId, personId, role }
    if (!person || !(await this.database.getRepository(Membership).findOneBy(key))) throw notFound()
    return person
  }

  /** Somebody in a group that a teacher teaches, as whatever they are. @throws Problem 404 */
  async anyMember(teacher: Person, groupId: string, personId: string): Promise<Person> {
    const found = await this.database.getRepository(Person).findOneBy({ id: personId })
    if (!found) throw notFound()
    return this.member(teacher, groupId, personId, found.role)
  }

  /** Whoever asks, or a student of theirs. @throws Problem 404 */
  selfOrStudent(person: Person, personId: string): Promise<Person> {
    if (person.id === personId) return Promise.resolve(person)
    if (person.role !== 'teacher') throw notFound()
    return this.student(person, personId)
  }

  /** Somebody who was taken out of a group that a teacher teaches. @throws Problem 404 */
  async formerMember(teacher: Person, groupId: string, personId: string): Promise<Person> {
    await this.group(teacher, groupId)
    const person = await this.database.getRepository(Person).findOneBy({ id: personId })
    if (!person || !(await this.database.getRepository(FormerMember).existsBy({ groupId, personId })))
      throw notFound()
    return person
  }

  /** A student of any group that a teacher teaches, also one who was taken out of it. @throws Problem 404 */
  async student(teacher: Person, personId: string): Promise<Person> {
    const found = (await teaches(this.database, teacher.id, personId))
      ? await this.database.getRepository(Person).findOneBy({ id: personId })
      : null
    if (!found) throw notFound()
    return found
  }

  /** Takes students into a group: all of them or none. @returns a card each @throws Problem 400 for a name that is taken */
  async add(
    teacher: Person,
    group: Group,
    rows: readonly (Pick<RosterRow, 'name' | 'signIn'> & Partial<Pick<RosterRow, 'schoolId'>>)[],
    role: Role = 'student',
  ): Promise<SignInCard[]> {
    const taken = await signInNames(this.database)
    for (const { signIn } of rows)
      if (signIn !== null && taken.has(signIn))
        throw badInput(words('people.somebody-sign-in-name-already', { signIn }))
    for (const { signIn } of rows) if (signIn !== null) taken.add(signIn)
    const cards = rows.map(({ name, signIn }) => ({
      name,
      signIn: signIn ?? freshSignInName(name, taken),
      password: firstPassword(),
    }))
    // the dear part, outside the transaction
    const hashes = await Promise.all(cards.map((c) => hashPassword(c.password, teacher.id)))
    await this.database.transaction(async (manager) => {
      for (const [i, { name, signIn }] of cards.entries()) {
        const person = freshPerson({
          name,
          signIn,
          passwordHash: hashes[i]!,
          role,
          mustChange: true,
          schoolId: rows[i]!.schoolId ?? null,
        })
        await manager.insert(Person, person)
        await manager.insert(Membership, { groupId: group.id, personId: person.id, role })
        await leaveTrail(manager, teacher.id, role === 'student' ? 'added' : 'named a teacher', person.id)
      }
    })
    return cards
  }

  /** Gives a student another name. */
  async rename(teacher: Person, { id }: Person, name: string): Promise<void> {
    await this.database.transaction(async (manager) => {
      await manager.update(Person, id, { name: name.trim() })
      await leaveTrail(manager, teacher.id, 'renamed', id)
    })
  }

  /** Gives somebody a new first password and signs them out everywhere. */
  async resetPassword(teacher: Person, person: Person): Promise<SignInCard> {
    const password = firstPassword()
    const passwordHash = await hashPassword(password, teacher.id)
    await this.database.transaction(async (manager) => {
      await manager.update(Person, person.id, { passwordHash, mustChange: true })
      await this.sessions.endAllOf(manager, person.id)
      await leaveTrail(manager, teacher.id, 'gave a new password', person.id)
    })
    return { name: person.name, signIn: person.signIn, password }
  }

  /** Names a co-teacher. @returns a card for somebody who becomes a teacher by it, none for somebody who is one */
  async nameTeacher(teacher: Person, group: Group, { signIn, name }: NewTeacher): Promise<SignInCard[]> {
    const fresh = name?.trim()
    if (fresh) return this.add(teacher, group, [{ name: fresh, signIn }], 'teacher')
    await this.addTeacher(teacher, group, signIn)
    return []
  }

  /** Names a co-teacher: somebody who is a teacher already, by sign-in name. @throws Problem 400 where there is none */
  async addTeacher(teacher: Person, group: Group, signIn: string): Promise<void> {
    const person = await this.database.getRepository(Person).findOneBy({ signIn, role: 'teacher' })
    if (!person) throw badInput(words('people.no-teacher-sign-in'))
    await this.database.transaction(async (manager) => {
      await this.#enter(manager, group.id, person)
      await leaveTrail(manager, teacher.id, 'named a teacher', person.id)
    })
  }

  /** Takes somebody out of a group; what they made stays, and so does who looks after it. @throws Problem 400 for the last teacher */
  async leave(teacher: Person, group: Group, person: Person): Promise<void> {
    await this.database.transaction(async (manager) => {
      // two teachers who take each other out at once must not leave a group without one
      await manager.findOne(Group, { where: { id: group.id }, lock: { mode: 'pessimistic_write' } })
      if (person.role === 'teacher') {
        const teachers = await manager.countBy(Membership, { groupId: group.id, role: 'teacher' })
        if (teachers < 2) throw badInput(words('people.class-needs-teacher'))
      }
      const key = { groupId: group.id, personId: person.id }
      await manager.delete(Membership, key)
      await manager.upsert(FormerMember, { ...key, role: person.role, leftAt: new Date() }, [
        'groupId',
        'personId',
      ])
      await manager.query('DELETE FROM presences WHERE group_id = ? AND person_id = ?', [group.id, person.id])
      await leaveTrail(manager, teacher.id, 'took out of the group', person.id)
      await this.#tellOfClass(manager, person.id)
      // with the last group everything ends that was open
      if (!(await manager.countBy(Membership, { personId: person.id })))
        await this.sessions.endAllOf(manager, person.id)
    })
  }

  /** Takes in a student from another class; they leave that one where it is named. Their work stays where it was made. */
  async takeIn(teacher: Person, group: Group, person: Person, from: Group | null): Promise<void> {
    await this.database.transaction(async (manager) => {
      await this.#enter(manager, group.id, person)
      await leaveTrail(manager, teacher.id, 'added', person.id)
    })
    // in the new class first: with the last one everything would end that is open
    if (from && from.id !== group.id) await this.leave(teacher, from, person)
  }

  /** Notes what the school knows somebody by. */
  async knowAs(personId: string, schoolId: string): Promise<void> {
    await this.database.getRepository(Person).update(personId, { schoolId })
  }

  /** Every student whom a teacher knows, with the classes they are in. */
  async known(teacher: Person): Promise<KnownView[]> {
    const all = new Map<string, KnownView & { groups: { id: string; name: string }[] }>()
    for (const { id, name, signIn, group, groupName } of await knownTo(this.database, teacher.id)) {
      const known = all.get(id) ?? { id, name, signIn, groups: [] }
      all.set(id, known)
      if (group) known.groups.push({ id: group, name: groupName ?? '' })
    }
    return [...all.values()]
  }

  /** Takes somebody who was taken out into the group again: everything of theirs is there as it was. */
  async takeInAgain(teacher: Person, group: Group, person: Person): Promise<void> {
    await this.database.transaction(async (manager) => {
      await this.#enter(manager, group.id, person)
      await leaveTrail(manager, teacher.id, 'took in again', person.id)
    })
  }

  async #enter(manager: EntityManager, groupId: string, { id: personId, role }: Person): Promise<void> {
    await manager.upsert(Membership, { groupId, personId, role }, ['groupId', 'personId'])
    await manager.delete(FormerMember, { groupId, personId })
    await this.#tellOfClass(manager, personId)
  }

  #tellOfClass(manager: EntityManager, personId: string): Promise<void> {
    return this.happenings.tell(manager, [personId], 'class', { assignment: '', handIn: '' })
  }
}

/** Somebody new. */
export function freshPerson(
  person: Pick<Person, 'name' | 'signIn' | 'passwordHash' | 'role' | 'mustChange'> &
    Partial<Pick<Person, 'schoolId'>>,
): Person {
  return { id: randomUUID(), schoolId: null, ...person }
}
