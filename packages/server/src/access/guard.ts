import { words } from '@rudlo/words'
import { createHash, randomBytes } from 'node:crypto'
import type { Context } from 'hono'
import { getCookie, setCookie } from 'hono/cookie'
import { LessThan, type DataSource } from 'typeorm'
import { addressOf } from '../http/address'
import { Problem } from '../http/problem'
import type { Person } from '../people/entities'
import { KnownBrowser } from './entities'
import { Limits, type Counter } from './limits'
import { isPassword } from './passwords'
import { isSecure } from './sessions'

const COOKIE = 'rudlo_browser'
const YEAR_SECONDS = 365 * 86_400
/** Tries at a name from everywhere together that cost nothing: guesses may come from many addresses. */
const FREE_FROM_EVERYWHERE = 60

/**
 * Who may try a password now. A try is counted before it is looked at. Names and addresses are counted together, so that
 * whoever guesses slows down themselves; a browser in which the person has signed in before has a counter of its own, so
 * that nobody can keep them out. What is not known is slowed down as what is.
 */
export class Guard {
  readonly #limits: Limits

  constructor(
    private readonly database: DataSource,
    private readonly proxied: boolean,
    /** A secret of this installation: without it nobody can tell whose a counter is. */
    private readonly secret: () => Promise<string>,
  ) {
    this.#limits = new Limits(database)
  }

  /** Where a request came from, as a hash. */
  from(c: Context): Promise<string> {
    return this.#hash('from', addressOf(c, this.proxied))
  }

  async #hash(...parts: readonly string[]): Promise<string> {
    return createHash('sha256')
      .update([await this.secret(), ...parts].join('\0'))
      .digest('hex')
  }

  /**
   * Whether a password is a person's.
   * @param name the sign-in name that was typed, whether or not somebody has it
   * @param person null for a name that nobody has: it takes as long and is wrong
   * @throws Problem 429 while whoever asks has to wait
   */
  async proves(c: Context, name: string, person: Person | null, password: string): Promise<boolean> {
    const counters = await this.#countersOf(c, name, person)
    const wait = await this.#limits.count(counters)
    if (wait > 0) {
      c.header('retry-after', String(wait))
      throw new Problem(429, 'slow-down', words('access.slow-down', { n: wait }, wait))
    }
    const right = await isPassword(person?.passwordHash ?? null, password, await this.from(c))
    if (right && person) {
      await this.#limits.forget(counters)
      await this.#know(c, person)
    }
    return right
  }

  async #countersOf(c: Context, name: string, person: Person | null): Promise<Counter[]> {
    const typed = name.trim().toLowerCase()
    const token = getCookie(c, COOKIE)
    const browser = token ? await this.#hash('browser', token) : null
    const isKnown =
      browser !== null &&
      person !== null &&
      (await this.database.getRepository(KnownBrowser).existsBy({ browser, personId: person.id }))
    if (isKnown) return [{ id: await this.#hash('known', typed, browser), free: 0 }]
    return [
      { id: await this.#hash('pair', typed, addressOf(c, this.proxied)), free: 0 },
      { id: await this.#hash('name', typed), free: FREE_FROM_EVERYWHERE },
    ]
  }

  /** Remembers that somebody has signed in here. */
  async #know(c: Context, { id: personId }: Person): Promise<void> {
    const token = getCookie(c, COOKIE) ?? randomBytes(24).toString('base64url')
    await this.database
      .getRepository(KnownBrowser)
      .upsert({ browser: await this.#hash('browser', token), personId, seenAt: new Date() }, [
        'browser',
        'personId',
      ])
    setCookie(c, COOKIE, token, {
      httpOnly: true,
      sameSite: 'Lax',
      path: '/api',
      maxAge: YEAR_SECONDS,
      secure: isSecure(c),
    })
  }

  /** Forgets counters that are over, and browsers after a quiet year. */
  async tidy(): Promise<void> {
    await this.#limits.tidy()
    await this.database
      .getRepository(KnownBrowser)
      .delete({ seenAt: LessThan(new Date(Date.now() - YEAR_SECONDS * 1000)) })
  }
}
