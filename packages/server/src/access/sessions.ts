import type { OwnSession } from '@rudlo/contract/access'
import { createHash, randomBytes } from 'node:crypto'
import type { Context } from 'hono'
import { deleteCookie, getCookie, setCookie } from 'hono/cookie'
import { LRUCache } from 'lru-cache'
import { LessThan, MoreThan, type DataSource, type EntityManager } from 'typeorm'
import type { Happenings } from '../live/happenings'
import { Person } from '../people/entities'
import { deviceOf } from './device'
import { notFound } from '../http/problem'
import { Session } from './entities'
import { SESSION_NAME_LENGTH, ownSession } from './views'

const COOKIE = 'rudlo_session'
const DAYS = 14
/** A session is noted as used at most so often. */
const NOTE_MS = 5 * 60_000
/** So long somebody is remembered, in ms: a hand at work saves once a second. */
const REMEMBERED_MS = 60_000
/** Sessions that are remembered at most. */
const MOST_REMEMBERED = 2000

/**
 * Somebody who was signed in a moment ago. Whether they still are is not known yet: whatever is done for them looks for `session`, by its
 * name in the database, in the transaction that it is done in.
 */
export interface Remembered {
  /** As little as is needed: no password waits in memory. */
  readonly person: Pick<Person, 'id' | 'mustChange'>
  readonly session: string
}

/** Somebody who is signed in, and when their session was last noted as used. */
type SignedIn = Omit<Person, 'mustChange'> & { readonly mustChange: number; readonly seenAt: Date }

const SIGNED_IN = `SELECT p.id, p.name, p.sign_in AS signIn, p.password_hash AS passwordHash, p.role,
    p.school_id AS schoolId, p.must_change AS mustChange, s.seen_at AS seenAt
    FROM sessions s JOIN people p ON p.id = s.person_id WHERE s.token_hash = ? AND s.expires_at > ?`

function hashOf(token: string): string {
  return createHash('sha256').update(token).digest('hex')
}

/** Sessions in the database, named by an HttpOnly cookie. Whoever ends one ends its open lines as well. */
export class Sessions {
  readonly #remembered = new LRUCache<string, Remembered['person']>({
    max: MOST_REMEMBERED,
    ttl: REMEMBERED_MS,
  })

  constructor(
    private readonly database: DataSource,
    private readonly happenings: Happenings,
  ) {}

  /** Signs a person in on this browser. */
  async begin(c: Context, personId: string): Promise<void> {
    await this.#endOn(c)
    const token = randomBytes(32).toString('base64url')
    const now = new Date()
    const expiresAt = new Date(now.getTime() + DAYS * 86_400_000)
    await this.database.getRepository(Session).delete({ expiresAt: LessThan(now) })
    await this.database.getRepository(Session).insert({
      tokenHash: hashOf(token),
      personId,
      expiresAt,
      createdAt: now,
      seenAt: now,
      device: deviceOf(c.req.header('user-agent') ?? ''),
    })
    setCookie(c, COOKIE, token, {
      httpOnly: true,
      sameSite: 'Lax',
      path: '/',
      maxAge: DAYS * 86_400,
      secure: isSecure(c),
    })
  }

  /** The person whose browser sent this request, or null. */
  async person(c: Context): Promise<Person | null> {
    const token = getCookie(c, COOKIE)
    return token ? this.#look(hashOf(token)) : null
  }

  /** The person whose browser sent this request, by what was found a moment ago: the database is not asked every time. */
  async remembered(c: Context): Promise<Remembered | null> {
    const token = getCookie(c, COOKIE)
    if (!token) return null
    const session = hashOf(token)
    const person = this.#remembered.get(session) ?? (await this.#look(session))
    return person && { person, session }
  }

  /** Looks who a session is of, and remembers it. */
  async #look(hash: string): Promise<Person | null> {
    // nearly every request asks this: a statement by itself costs a third of what a builder makes of it
    const [found]: SignedIn[] = await this.database.query(SIGNED_IN, [hash, new Date()])
    if (!found) {
      this.#remembered.delete(hash)
      return null
    }
    const { seenAt, mustChange, ...person } = found
    if (Date.now() - Number(seenAt) > NOTE_MS)
      await this.database.getRepository(Session).update({ tokenHash: hash }, { seenAt: new Date() })
    const known = Object.assign(new Person(), person, { mustChange: Boolean(mustChange) })
    this.#remembered.set(hash, { id: known.id, mustChange: known.mustChange })
    return known
  }

  /** Whether a session, by its name in the database, still holds. */
  holds(tokenHash: string): Promise<boolean> {
    return this.database.getRepository(Session).existsBy({ tokenHash, expiresAt: MoreThan(new Date()) })
  }

  /** Tells whether the session that a request came with still holds; asked again and again while a line is open. */
  stillHolds(c: Context): () => Promise<boolean> {
    const token = getCookie(c, COOKIE)
    const hash = token ? hashOf(token) : null
    return async () => hash !== null && (await this.holds(hash))
  }

  /** Everything a person is signed in on, last used first. */
  async of(c: Context, personId: string): Promise<OwnSession[]> {
    const mine = hashOf(getCookie(c, COOKIE) ?? '')
    const found = await this.database
      .getRepository(Session)
      .find({ where: { personId, expiresAt: MoreThan(new Date()) }, order: { seenAt: 'DESC' } })
    return found.map((session) => ownSession(session, mine))
  }

  /** Ends one session of a person. @throws Problem 404 where there is none */
  async endOne(personId: string, id: string): Promise<void> {
    if (id.length !== SESSION_NAME_LENGTH) throw notFound()
    await this.database.transaction(async (manager) => {
      const gone = await manager
        .createQueryBuilder()
        .delete()
        .from(Session)
        .where('person_id = :personId AND LEFT(token_hash, :length) = :id', {
          personId,
          id,
          length: SESSION_NAME_LENGTH,
        })
        .execute()
      if (!gone.affected) throw notFound()
      await this.#over(manager, personId)
    })
  }

  /** Signs a person out on every browser, in the transaction of what makes that necessary. */
  async endAllOf(manager: EntityManager, personId: string): Promise<void> {
    await manager.delete(Session, { personId })
    await this.#over(manager, personId)
  }

  /** Signs out on this browser. */
  async end(c: Context): Promise<void> {
    await this.#endOn(c)
    deleteCookie(c, COOKIE, { path: '/' })
  }

  async #endOn(c: Context): Promise<void> {
    const token = getCookie(c, COOKIE)
    if (!token) return
    const key = { tokenHash: hashOf(token) }
    const session = await this.database.getRepository(Session).findOneBy(key)
    if (!session) return
    await this.database.transaction(async (manager) => {
      await manager.delete(Session, key)
      await this.#over(manager, session.personId)
    })
  }

  /** Open lines of the person look whether their session still holds. */
  #over(manager: EntityManager, personId: string): Promise<void> {
    return this.happenings.tell(manager, [personId], 'signed out', { assignment: '', handIn: '' })
  }
}

/** Whether the browser came by HTTPS; behind a proxy the proxy says how it was asked. */
export const isSecure = (c: Context): boolean =>
  new URL(c.req.url).protocol === 'https:' || c.req.header('x-forwarded-proto') === 'https'
