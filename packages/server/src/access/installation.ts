import { words } from '@rudlo/words'
import { createHash, randomBytes, randomUUID } from 'node:crypto'
import type { DataSource } from 'typeorm'
import { Problem } from '../http/problem'
import { Person } from '../people/entities'
import { checkPassword } from './password-rules'
import { hashPassword } from './passwords'
import { Setting } from './entities'

const hashOf = (code: string) => createHash('sha256').update(code.trim().toUpperCase()).digest('hex')

/** What kind of installation this is, and how its first teacher comes in. */
export class Installation {
  constructor(
    private readonly database: DataSource,
    /** Whether the sign-in page offers everybody by name. */
    readonly demo: boolean,
  ) {}

  /** The time zone of the school: that of the machine that Rudlo runs on (`TZ` sets another). */
  readonly timeZone = Intl.DateTimeFormat().resolvedOptions().timeZone

  #secret: Promise<string> | undefined

  /** What only this installation knows; made once, the same for all of its servers. */
  secret(): Promise<string> {
    return (this.#secret ??= this.#readSecret())
  }

  async #readSecret(): Promise<string> {
    const settings = this.database.getRepository(Setting)
    const value = randomBytes(32).toString('hex')
    await settings.createQueryBuilder().insert().values({ name: 'secret', value }).orIgnore().execute()
    return (await settings.findOneByOrFail({ name: 'secret' })).value
  }

  async needsFirstTeacher(): Promise<boolean> {
    return !this.demo && (await this.database.getRepository(Person).countBy({ role: 'teacher' })) === 0
  }

  /** Makes a new one-time code for the first teacher and forgets the old one. */
  async firstTeacherCode(): Promise<string> {
    const code = randomBytes(5).toString('hex').toUpperCase()
    await this.database.getRepository(Setting).save({ name: 'first-teacher', value: hashOf(code) })
    return code
  }

  /** Creates the first teacher. @throws Problem for a wrong code, or where there is a teacher already */
  async createFirstTeacher(by: {
    code: string
    name: string
    signIn: string
    password: string
  }): Promise<Person> {
    checkPassword(by.password, by)
    const passwordHash = await hashPassword(by.password)
    return this.database.transaction(async (manager) => {
      const stored = await manager.findOne(Setting, {
        where: { name: 'first-teacher' },
        lock: { mode: 'pessimistic_write' },
      })
      const taken = (await manager.countBy(Person, { role: 'teacher' })) > 0
      if (this.demo || taken || !stored || stored.value !== hashOf(by.code)) {
        throw new Problem(403, 'wrong-code', words('access.code-wrong-already'))
      }
      await manager.delete(Setting, { name: 'first-teacher' })
      const person = manager.create(Person, {
        id: randomUUID(),
        name: by.name.trim(),
        signIn: by.signIn,
        passwordHash,
        role: 'teacher',
        mustChange: false,
      })
      await manager.insert(Person, person)
      return person
    })
  }
}
