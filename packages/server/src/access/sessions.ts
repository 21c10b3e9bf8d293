import { createHash, randomBytes } from 'node:crypto'
import type { Context } from 'hono'
import { deleteCookie, getCookie, setCookie } from 'hono/cookie'
import { LessThan, type DataSource } from 'typeorm'
import { Person } from '../people/person.entity'
import { Session } from './session.entity'

const COOKIE = 'rudlo_session'
const DAYS = 14

function hashOf(token: string): string {
  return createHash('sha256').update(token).digest('hex')
}

/** Sessions in the database, named by an HttpOnly cookie. */
export class Sessions {
  constructor(private readonly database: DataSource) {}

  /** Signs a person in on this browser. */
  async begin(c: Context, personId: string): Promise<void> {
    await this.end(c)
    const token = randomBytes(32).toString('base64url')
    const expiresAt = new Date(Date.now() + DAYS * 86_400_000)
    await this.database.getRepository(Session).delete({ expiresAt: LessThan(new Date()) })
    await this.database.getRepository(Session).insert({ tokenHash: hashOf(token), personId, expiresAt })
    setCookie(c, COOKIE, token, {
      httpOnly: true,
      sameSite: 'Lax',
      path: '/',
      maxAge: DAYS * 86_400,
      // behind a proxy the proxy says how it was asked
      secure: new URL(c.req.url).protocol === 'https:' || c.req.header('x-forwarded-proto') === 'https',
    })
  }

  /** The person whose browser sent this request, or null. */
  async person(c: Context): Promise<Person | null> {
    const token = getCookie(c, COOKIE)
    if (!token) return null
    return this.database
      .getRepository(Person)
      .createQueryBuilder('p')
      .innerJoin(Session, 's', 's.person_id = p.id')
      .where('s.token_hash = :hash AND s.expires_at > :now', { hash: hashOf(token), now: new Date() })
      .getOne()
  }

  /** Signs a person out on every browser. */
  async endAllOf(personId: string): Promise<void> {
    await this.database.getRepository(Session).delete({ personId })
  }

  async end(c: Context): Promise<void> {
    const token = getCookie(c, COOKIE)
    if (token) await this.database.getRepository(Session).delete({ tokenHash: hashOf(token) })
    deleteCookie(c, COOKIE, { path: '/' })
  }
}
