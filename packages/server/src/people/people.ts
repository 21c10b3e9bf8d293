import { randomUUID } from 'node:crypto'
import { freshSignInName, type RosterRow } from '@rudlo/core/roster'
import { In, type DataSource, type EntityManager } from 'typeorm'
import { firstPassword } from '../access/first-password'
import { hashPassword } from '../access/passwords'
import type { Sessions } from '../access/sessions'
import { badInput, notFound } from '../http/problem'
import { Group, JoinRequest, Membership } from './group.entity'
import { Person, type Role } from './person.entity'
import { leaveTrail } from './trail'

/** What stands on a card for somebody who signs in for the first time. */
export interface SignInCard {
  readonly name: string
  readonly signIn: string
  readonly password: string
}

/** Students and teachers of groups: who comes in, and how. */
export class People {
  constructor(
    private readonly database: DataSource,
    private readonly sessions: Sessions,
  ) {}

  /** A group that a person teaches. @throws Problem 404 */
  async group(teacher: Person, id: string): Promise<Group> {
    const key = { groupId: id, personId: teacher.id, role: 'teacher' as const }
    const group = await this.database.getRepository(Group).findOneBy({ id })
    if (!group || !(await this.database.getRepository(Membership).findOneBy(key))) throw notFound()
    return group
  }

  /** Somebody in a group that a teacher teaches. @throws Problem 404 */
  async member(teacher: Person, groupId: string, personId: string, role: Role): Promise<Person> {
    await this.group(teacher, groupId)
    const person = await this.database.getRepository(Person).findOneBy({ id: personId, role })
    const key = { groupId, personId, role }
    if (!person || !(await this.database.getRepository(Membership).findOneBy(key))) throw notFound()
    return person
  }

  /** A student of any group that a teacher teaches. @throws Problem 404 */
  async student(teacher: Person, personId: string): Promise<Person> {
    const rows: { id: string }[] = await this.database.query(
      `SELECT s.person_id AS id FROM memberships s JOIN memberships t ON t.group_id = s.group_id
        WHERE s.person_id = ? AND s.role = 'student' AND t.person_id = ? AND t.role = 'teacher' LIMIT 1`,
      [personId, teacher.id],
    )
    const found = rows.length ? await this.database.getRepository(Person).findOneBy({ id: personId }) : null
    if (!found) throw notFound()
    return found
  }

  /** Takes students into a group: all of them or none. @returns a card each @throws Problem 400 for a name that is taken */
  async add(
    teacher: Person,
    group: Group,
    rows: readonly Pick<RosterRow, 'name' | 'signIn'>[],
    role: Role = 'student',
  ): Promise<SignInCard[]> {
    const taken = await this.#taken()
    for (const { signIn } of rows)
      if (signIn !== null && taken.has(signIn))
        throw badInput(`Somebody has the sign-in name “${signIn}” already. Nobody was added.`)
    for (const { signIn } of rows) if (signIn !== null) taken.add(signIn)
    const cards = rows.map(({ name, signIn }) => ({
      name,
      signIn: signIn ?? freshSignInName(name, taken),
      password: firstPassword(),
    }))
    // the dear part, outside the transaction
    const hashes = await Promise.all(cards.map((c) => hashPassword(c.password)))
    await this.database.transaction(async (manager) => {
      for (const [i, { name, signIn }] of cards.entries()) {
        const person = fresh({ name, signIn, passwordHash: hashes[i]!, role, mustChange: true })
        await manager.insert(Person, person)
        await manager.insert(Membership, { groupId: group.id, personId: person.id, role })
        await leaveTrail(manager, teacher.id, role === 'student' ? 'added' : 'named a teacher', person.id)
      }
    })
    return cards
  }

  /** Gives somebody a new first password and signs them out everywhere. */
  async resetPassword(teacher: Person, person: Person): Promise<SignInCard> {
    const password = firstPassword()
    const passwordHash = await hashPassword(password)
    await this.database.transaction(async (manager) => {
      await manager.update(Person, person.id, {
        passwordHash,
        mustChange: true,
        wrongTries: 0,
        retryAt: null,
      })
      await leaveTrail(manager, teacher.id, 'gave a new password', person.id)
    })
    await this.sessions.endAllOf(person.id)
    return { name: person.name, signIn: person.signIn, password }
  }

  /** Somebody asks to join by a code. @throws Problem 400 where the code or the name does not do */
  async ask(by: { code: string; name: string; signIn: string; password: string }): Promise<string> {
    const group = await this.database
      .getRepository(Group)
      .findOneBy({ joinCode: by.code.trim().toUpperCase(), joinOpen: true })
    if (!group) throw badInput('There is no group with this code, or nobody can join it just now.')
    if ((await this.#taken()).has(by.signIn))
      throw badInput(`Somebody has the sign-in name “${by.signIn}” already: choose another.`)
    if ((await this.database.getRepository(JoinRequest).countBy({ groupId: group.id })) >= MOST_REQUESTS)
      throw badInput('Too many are waiting to join this group: tell your teacher.')
    const passwordHash = await hashPassword(by.password)
    await this.database.getRepository(JoinRequest).insert({
      id: randomUUID(),
      groupId: group.id,
      name: by.name.trim(),
      signIn: by.signIn,
      passwordHash,
      createdAt: new Date(),
    })
    return group.name
  }

  /** Lets somebody in who asked, or not. */
  async answer(teacher: Person, group: Group, requestId: string, accept: boolean): Promise<void> {
    await this.database.transaction(async (manager) => {
      const request = await manager.findOneBy(JoinRequest, { id: requestId, groupId: group.id })
      if (!request) throw notFound()
      await manager.delete(JoinRequest, { id: requestId })
      if (!accept) return
      const { name, signIn, passwordHash } = request
      const person = fresh({ name, signIn, passwordHash, role: 'student', mustChange: false })
      await manager.insert(Person, person)
      await manager.insert(Membership, { groupId: group.id, personId: person.id, role: 'student' })
      await leaveTrail(manager, teacher.id, 'let in', person.id)
    })
  }

  /** Names a co-teacher: somebody who is a teacher already, by sign-in name. @throws Problem 400 where there is none */
  async addTeacher(teacher: Person, group: Group, signIn: string): Promise<void> {
    const person = await this.database.getRepository(Person).findOneBy({ signIn, role: 'teacher' })
    if (!person) throw badInput('There is no teacher with this sign-in name.')
    await this.database.transaction(async (manager) => {
      await manager.save(Membership, { groupId: group.id, personId: person.id, role: 'teacher' as const })
      await leaveTrail(manager, teacher.id, 'named a teacher', person.id)
    })
  }

  /** Takes somebody out of a group; what they made stays. @throws Problem 400 for the last teacher */
  async leave(teacher: Person, group: Group, person: Person): Promise<void> {
    if (person.role === 'teacher') {
      const teachers = await this.database
        .getRepository(Membership)
        .countBy({ groupId: group.id, role: 'teacher' })
      if (teachers < 2) throw badInput('A group needs a teacher: name another one first.')
    }
    await this.database.transaction(async (manager) => {
      await manager.delete(Membership, { groupId: group.id, personId: person.id })
      await leaveTrail(manager, teacher.id, 'took out of the group', person.id)
    })
  }

  /** Everybody's sign-in name, also of those who wait. */
  async #taken(): Promise<Set<string>> {
    const rows: { n: string }[] = await this.database.query(
      'SELECT sign_in AS n FROM people UNION SELECT sign_in FROM join_requests',
    )
    return new Set(rows.map((r) => r.n))
  }

  /** Names by id, for trails and lists. */
  async names(manager: EntityManager, ids: readonly string[]): Promise<Map<string, string>> {
    const people = ids.length ? await manager.findBy(Person, { id: In([...new Set(ids)]) }) : []
    return new Map(people.map((p) => [p.id, p.name]))
  }
}

const MOST_REQUESTS = 60

function fresh(person: Pick<Person, 'name' | 'signIn' | 'passwordHash' | 'role' | 'mustChange'>): Person {
  return { id: randomUUID(), wrongTries: 0, retryAt: null, ...person }
}
