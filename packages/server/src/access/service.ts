import { words } from '@rudlo/words'
import type { FirstTeacher, OwnPassword, OwnView, SignIn, WhoIsHere } from '@rudlo/contract/access'
import type { Context } from 'hono'
import type { DataSource } from 'typeorm'
import { notFound, Problem } from '../http/problem'
import { Person } from '../people/entities'
import type { People } from '../people/service'
import type { Guard } from './guard'
import type { Installation } from './installation'
import { checkPassword } from './password-rules'
import { hashPassword } from './passwords'
import type { Sessions } from './sessions'
import { personView } from './views'

/** Coming in, and choosing a password. What sets cookies takes the request with it. */
export class Access {
  constructor(
    private readonly database: DataSource,
    private readonly parts: {
      readonly sessions: Sessions
      readonly installation: Installation
      readonly guard: Guard
      readonly people: People
    },
  ) {}

  /** Who is here; and for nobody, how one comes in. */
  async whoIsHere(person: Person | null): Promise<WhoIsHere> {
    const { installation } = this.parts
    return {
      person: person && (await this.#own(person)),
      demo: installation.demo && !person ? await this.#everybody() : [],
      needsFirstTeacher: !person && (await installation.needsFirstTeacher()),
      timeZone: installation.timeZone,
    }
  }

  async #own(person: Person): Promise<OwnView> {
    const { people } = this.parts
    return {
      ...personView(person),
      classes: await people.countOf(person.id),
      isOut: await people.isOut(person),
    }
  }

  async #everybody() {
    const all = await this.database.getRepository(Person).find({ order: { role: 'DESC', name: 'ASC' } })
    return all.map(personView)
  }

  /** @throws Problem 401 where name and password do not belong together, 429 for who has to wait */
  async signIn(c: Context, { signIn, password }: SignIn): Promise<OwnView> {
    const { guard, sessions } = this.parts
    const person = await this.database
      .getRepository(Person)
      .findOneBy({ signIn: signIn.trim().toLowerCase() })
    if (!(await guard.proves(c, signIn, person, password)) || !person)
      throw new Problem(401, 'wrong-password', words('access.wrong-name-password'))
    await sessions.begin(c, person.id)
    return this.#own(person)
  }

  /** Comes in as somebody of the demo. @throws Problem 404 where this is none */
  async signInToDemo(c: Context, id: string): Promise<OwnView> {
    const { installation, sessions } = this.parts
    const person = installation.demo ? await this.database.getRepository(Person).findOneBy({ id }) : null
    if (!person) throw notFound()
    await sessions.begin(c, person.id)
    return this.#own(person)
  }

  /** @throws Problem 403 for a wrong code, or where there is a teacher already */
  async firstTeacher(c: Context, by: FirstTeacher): Promise<OwnView> {
    const person = await this.parts.installation.createFirstTeacher(by)
    await this.parts.sessions.begin(c, person.id)
    return this.#own(person)
  }

  /** Chooses an own password, which ends every other session. @throws Problem 400 or 403 */
  async changePassword(c: Context, person: Person, { now, password }: OwnPassword): Promise<OwnView> {
    const { guard, sessions } = this.parts
    // whoever was given a password does not have to know it again, whoever chose one does
    if (!person.mustChange && !(await guard.proves(c, person.signIn, person, now ?? '')))
      throw new Problem(403, 'wrong-password', words('access.not-current-password'))
    checkPassword(password, person)
    const passwordHash = await hashPassword(password, person.id)
    await this.database.transaction(async (manager) => {
      await manager.update(Person, person.id, { passwordHash, mustChange: false })
      await sessions.endAllOf(manager, person.id)
    })
    await sessions.begin(c, person.id)
    return this.#own({ ...person, mustChange: false })
  }
}
