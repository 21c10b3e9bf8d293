import { createHash, randomBytes } from 'node:crypto'
import type { Context } from 'hono'
import { getCookie, setCookie } from 'hono/cookie'
import { In, LessThan, type DataSource, type EntityManager } from 'typeorm'
import { addressOf } from '../http/address'
import { Problem } from '../http/problem'
import type { Person } from '../people/entities'
import { Guess, KnownBrowser } from './entities'
import { isPassword } from './passwords'
import { isSecure } from './sessions'
import { waitAfter } from './slow-down'

const COOKIE = 'rudlo_browser'
const YEAR_SECONDS = 365 * 86_400
/** After a quiet quarter of an hour wrong tries are forgotten. */
const FORGET_MS = 15 * 60_000
const DAY_MS = 86_400_000
/** Tries at a name from everywhere together that cost nothing: guesses may come from many addresses. */
const FREE_FROM_EVERYWHERE = 60

/** A counter, and how many tries it lets pass before they cost anything. */
interface Counter {
  readonly id: string
  readonly free: number
}

/**
 * Who may try a password now. A try is counted before it is looked at. Names and addresses are counted together, so that
 * whoever guesses slows down themselves; a browser in which the person has signed in before has a counter of its own, so
 * that nobody can keep them out. What is not known is slowed down as what is.
 */
export class Guard {
  constructor(
    private readonly database: DataSource,
    private readonly proxied: boolean,
    /** A secret of this installation: without it nobody can tell whose a counter is. */
    private readonly secret: () => Promise<string>,
  ) {}

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
    const wait = await this.database.transaction((manager) => count(manager, counters))
    if (wait > 0) {
      c.header('retry-after', String(wait))
      const message = `Too many wrong passwords for this name: try again in ${wait} ${wait === 1 ? 'second' : 'seconds'}, or ask your teacher.`
      throw new Problem(429, 'slow-down', message)
    }
    const right = await isPassword(person?.passwordHash ?? null, password, await this.from(c))
    if (right && person) {
      await this.database.getRepository(Guess).delete({ id: In(counters.map((counter) => counter.id)) })
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

  /** Forgets counters after a quiet day, and browsers after a quiet year. */
  async tidy(): Promise<void> {
    const now = Date.now()
    await this.database.getRepository(Guess).delete({ at: LessThan(new Date(now - DAY_MS)) })
    await this.database
      .getRepository(KnownBrowser)
      .delete({ seenAt: LessThan(new Date(now - YEAR_SECONDS * 1000)) })
  }
}

/** Counts a try with all of its counters, unless one of them says to wait. @returns seconds to wait, 0 where it was counted */
async function count(manager: EntityManager, counters: readonly Counter[]): Promise<number> {
  const now = new Date()
  const ids = counters.map((c) => c.id).sort()
  // one after the other in the same order, and locked for writing from the first touch on: two never wait for each other
  for (const id of ids)
    await manager.query(
      'INSERT INTO guesses (id, wrong, retry_at, at) VALUES (?, 0, NULL, ?) ON DUPLICATE KEY UPDATE id = VALUES(id)',
      [id, now],
    )
  const rows = await manager.find(Guess, {
    where: { id: In(ids) },
    order: { id: 'ASC' },
    lock: { mode: 'pessimistic_write' },
  })
  const waits = rows.map(({ retryAt }) => Math.ceil((Number(retryAt ?? 0) - now.getTime()) / 1000))
  const wait = Math.max(0, ...waits)
  if (wait > 0) return wait
  for (const { id, wrong, at } of rows) {
    const tries = (now.getTime() - Number(at) > FORGET_MS ? 0 : wrong) + 1
    const { free } = counters.find((c) => c.id === id)!
    // the wait belongs to the next try: this one is looked at
    const seconds = waitAfter(tries - free)
    const retryAt = seconds ? new Date(now.getTime() + seconds * 1000) : null
    await manager.update(Guess, id, { wrong: tries, retryAt, at: now })
  }
  return 0
}
