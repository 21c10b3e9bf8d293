import { words } from '@rudlo/words'
import type { Partner } from '@rudlo/contract/handins'
import type { Context } from 'hono'
import type { DataSource } from 'typeorm'
import type { Guard } from '../access/guard'
import type { Permissions } from '../access/permissions'
import { badInput } from '../http/problem'
import { Membership, Person } from '../people/entities'

/** The other one of a pair at the same machine. */
export class Partners {
  constructor(
    private readonly database: DataSource,
    private readonly guard: Guard,
    private readonly permissions: Permissions,
  ) {}

  /**
   * A classmate who proves to be there.
   * @throws Problem 400 where name and password do not belong together, 429 for who has to wait
   */
  async prove(c: Context, person: Person, workId: string, { signIn, password }: Partner): Promise<Person> {
    const { assignmentId } = await this.permissions.ownWork(person, workId)
    const { groupId } = await this.permissions.assignment(person, assignmentId)
    const named = await this.database
      .getRepository(Person)
      .findOneBy({ signIn: signIn.trim().toLowerCase(), role: 'student' })
    const isMate =
      named !== null &&
      named.id !== person.id &&
      (await this.database
        .getRepository(Membership)
        .existsBy({ groupId, personId: named.id, role: 'student' }))
    const mate = isMate ? named : null
    if (!(await this.guard.proves(c, signIn, mate, password)) || !mate)
      throw badInput(words('hand-in.not-name-password'))
    return mate
  }
}
