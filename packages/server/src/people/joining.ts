import { words } from '@rudlo/words'
import { randomUUID } from 'node:crypto'
import type { JoinRequest as Asked, RenamedView } from '@rudlo/contract/people'
import { freshSignInName } from '@rudlo/core/roster'
import { In, type DataSource, type EntityManager } from 'typeorm'
import { checkPassword } from '../access/password-rules'
import { hashPassword } from '../access/passwords'
import { badInput, notFound } from '../http/problem'
import type { Happenings } from '../live/happenings'
import { Group, JoinRequest, Membership, Person } from './entities'
import { askedMost, dropOldestRequest, signInNames } from './queries'
import { freshPerson } from './service'
import { leaveTrail } from './trail'

/** So many can wait to join a group: more than come in earnest. */
const MOST_REQUESTS = 500

/** Joining a group by its code. */
export class Joining {
  constructor(
    private readonly database: DataSource,
    private readonly happenings: Happenings,
  ) {}

  /**
   * Somebody asks to join by a code.
   * @param from where it came from, as a hash
   * @returns the name of the group
   * @throws Problem 400 where the code, the name or the password does not do
   */
  async ask(by: Asked, from: string): Promise<string> {
    const group = await this.database
      .getRepository(Group)
      .findOneBy({ joinCode: by.code.trim().toUpperCase(), joinOpen: true })
    if (!group) throw badInput(words('people.no-class-code'))
    if ((await signInNames(this.database)).has(by.signIn))
      throw badInput(words('people.somebody-sign-in-name', { signIn: by.signIn }))
    checkPassword(by.password, by)
    const passwordHash = await hashPassword(by.password, from)
    await this.database.transaction(async (manager) => {
      await manager.findOne(Group, { where: { id: group.id }, lock: { mode: 'pessimistic_write' } })
      await makeRoom(manager, group.id)
      await manager.insert(JoinRequest, {
        id: randomUUID(),
        groupId: group.id,
        name: by.name.trim(),
        signIn: by.signIn,
        passwordHash,
        createdAt: new Date(),
        askedFrom: from,
      })
      const teachers = await this.happenings.members(manager, group.id, 'teacher')
      await this.happenings.tell(manager, teachers, 'join', { assignment: '', handIn: '' })
    })
    return group.name
  }

  /**
   * Lets people in who asked, or not. Requests that somebody else has answered meanwhile are passed over.
   * @returns those who got another sign-in name, since theirs is taken by now
   * @throws Problem 404 where none of the requests is there
   */
  async answer(
    teacher: Person,
    group: Group,
    ids: readonly string[],
    accept: boolean,
  ): Promise<RenamedView[]> {
    const renamed: RenamedView[] = []
    const taken = accept ? await signInNames(this.database) : new Set<string>()
    const found = await this.database.getRepository(JoinRequest).findBy({ id: In(ids), groupId: group.id })
    if (!found.length) throw notFound()
    for (const request of found) {
      const other = await this.database.transaction((manager) =>
        letIn(manager, teacher, request, accept, taken),
      )
      if (other) renamed.push(other)
    }
    return renamed
  }
}

/** A group that is full of requests lets go of the oldest of whoever asked most often. */
async function makeRoom(manager: EntityManager, groupId: string): Promise<void> {
  if ((await manager.countBy(JoinRequest, { groupId })) < MOST_REQUESTS) return
  await dropOldestRequest(manager, groupId, await askedMost(manager, groupId))
}

/** Lets one in, or not; somebody else may have answered at the same moment. */
async function letIn(
  manager: EntityManager,
  teacher: Person,
  { id, groupId, name, signIn: asked, passwordHash }: JoinRequest,
  accept: boolean,
  taken: Set<string>,
): Promise<RenamedView | null> {
  const mine = await manager.delete(JoinRequest, { id })
  if (!accept || !mine.affected) return null
  const signIn = taken.has(asked) ? freshSignInName(asked, taken) : asked
  taken.add(signIn)
  const person = freshPerson({ name, signIn, passwordHash, role: 'student', mustChange: false })
  await manager.insert(Person, person)
  await manager.insert(Membership, { groupId, personId: person.id, role: 'student' })
  await leaveTrail(manager, teacher.id, 'let in', person.id)
  return signIn === asked ? null : { name, asked, signIn }
}
