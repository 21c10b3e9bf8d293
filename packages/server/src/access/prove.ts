import type { Context } from 'hono'
import type { Repository } from 'typeorm'
import { Problem } from '../http/problem'
import type { Person } from '../people/person.entity'
import { isPassword } from './passwords'
import { waitAfter } from './slow-down'

/**
 * Whether a password is a person's. Wherever it is asked for, wrong ones are counted and slow the next tries down.
 * @param person null for a name that nobody has: it takes as long and is wrong
 * @throws Problem 429 while the person has to wait
 */
export async function provesToBe(
  c: Context,
  people: Repository<Person>,
  person: Person | null,
  password: string,
): Promise<boolean> {
  const wait = person?.retryAt ? (person.retryAt.getTime() - Date.now()) / 1000 : 0
  if (wait > 0) {
    c.header('retry-after', String(Math.ceil(wait)))
    const message = `Too many wrong passwords for this name: try again in ${Math.ceil(wait)} seconds, or ask your teacher.`
    throw new Problem(429, 'slow-down', message)
  }
  const right = await isPassword(person?.passwordHash ?? null, password)
  if (!person) return false
  if (!right) {
    // counted by the database, so that many tries at once cannot share one count
    await people.increment({ id: person.id }, 'wrongTries', 1)
    const seconds = waitAfter(person.wrongTries + 1)
    if (seconds) await people.update(person.id, { retryAt: new Date(Date.now() + seconds * 1000) })
  } else if (person.wrongTries) await people.update(person.id, { wrongTries: 0, retryAt: null })
  return right
}
