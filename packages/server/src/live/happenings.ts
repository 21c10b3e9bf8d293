import type { Log } from '../http/log'
import type { HappeningData, HappeningKind, HappeningsView } from '@rudlo/contract/live'
import { In, LessThan, LessThanOrEqual, type DataSource, type EntityManager } from 'typeorm'
import { Membership } from '../people/entities'
import { Happening } from './entities'
import { happeningView, isForPages } from './views'

/** What is told: what pages hear of, and that a session of the person is over, on which open lines look whether it is theirs. */
export type ToldKind = HappeningKind | 'signed out'

/** A page that is told what happens to its person. */
export interface Listener {
  readonly personId: string
  tell(happening: Happening): void
}

const LOOK_MS = 120
const KEEP_MS = 3_600_000
const TIDY_MS = 600_000
/** Ids and times are handed out before they are committed: so far back it is looked for latecomers. */
const LATE = 200
const LATE_MS = 5000

/**
 * What happens goes through the database, so that it reaches pages whichever server they are connected to, and pages that
 * were away learn it when they come back. Nothing is asked of the database while nobody listens.
 */
export class Happenings {
  readonly #listeners = new Set<Listener>()
  /** Ids that were passed on, with the times at which they happened. */
  readonly #told = new Map<string, number>()
  /** The first look, while it is on its way. */
  #beginning: Promise<void> | null = null
  #last = 0
  #looked = 0
  #timer: ReturnType<typeof setTimeout> | null = null
  #tidied = 0

  constructor(
    private readonly database: DataSource,
    private readonly log: Log,
  ) {}

  /**
   * Tells people something, in the transaction that makes it so.
   * @param at when they are told: what is to happen later lies here until then
   */
  async tell(
    manager: EntityManager,
    people: readonly string[],
    kind: ToldKind,
    data: HappeningData,
    at = new Date(),
  ): Promise<void> {
    const rows = [...new Set(people)].map((personId) => ({ personId, kind, data: JSON.stringify(data), at }))
    if (rows.length) await manager.insert(Happening, rows)
  }

  /** The teachers, or the students, of a group. */
  async members(manager: EntityManager, groupId: string, role: 'teacher' | 'student'): Promise<string[]> {
    return (await manager.findBy(Membership, { groupId, role })).map((m) => m.personId)
  }

  /** What a person was told after an id, oldest first; with what came due since, though it was written before. */
  async since(personId: string, id: string): Promise<Happening[]> {
    const rows = this.database.getRepository(Happening)
    const due = LessThanOrEqual(new Date())
    const known = await rows.findOneBy({ id })
    const found = await rows.find({ where: { personId, at: due }, order: { id: 'ASC' }, take: 2000 })
    return found.filter((h) => Number(h.id) > Number(id) || (known && h.at > known.at)).slice(0, 200)
  }

  /** What a person's pages are told after an id; without one, only from where on to ask. */
  async after(personId: string, id: string | null): Promise<HappeningsView> {
    if (id === null) return { newest: await this.newest(), happenings: [] }
    const found = await this.since(personId, id)
    return { newest: found.at(-1)?.id ?? id, happenings: found.filter(isForPages).map(happeningView) }
  }

  /** The newest id of all: where a page begins that knows everything so far. */
  async newest(): Promise<string> {
    const rows: { id: string | null }[] = await this.database.query(
      'SELECT MAX(id) AS id FROM happenings WHERE at <= ?',
      [new Date()],
    )
    return String(rows[0]?.id ?? '0')
  }

  /** Tells a page everything from now on. @returns ends that */
  async listen(listener: Listener): Promise<() => void> {
    // two that come at once begin together: the later one would take for old what the first has to be told
    if (!this.#listeners.size) await (this.#beginning ??= this.#begin())
    this.#listeners.add(listener)
    this.#timer ??= setTimeout(() => void this.#look(), LOOK_MS)
    return () => this.#listeners.delete(listener)
  }

  /** Whatever is there already is no news to anybody; who was away asks for it. */
  async #begin(): Promise<void> {
    try {
      this.#told.clear()
      this.#looked = Date.now()
      for (const { id, at } of await this.#recent(Number(await this.newest())))
        this.#told.set(String(id), Number(at))
      this.#last = Math.max(0, ...[...this.#told.keys()].map(Number))
    } finally {
      this.#beginning = null
    }
  }

  /** Stops looking. */
  close(): void {
    if (this.#timer) clearTimeout(this.#timer)
    this.#listeners.clear()
  }

  async #look(): Promise<void> {
    try {
      const begun = Date.now()
      const found = await this.#recent(this.#last)
      const news = found.filter(({ id }) => !this.#told.has(String(id)))
      for (const happening of await this.#whole(news.map(({ id }) => id))) {
        this.#told.set(happening.id, Number(happening.at))
        this.#pass(happening)
      }
      this.#looked = begun
      const newest = Number(found.at(-1)?.id ?? this.#last)
      this.#last = Math.max(this.#last, newest)
      for (const [id, at] of this.#told)
        if (Number(id) < this.#last - LATE && at < this.#looked - LATE_MS) this.#told.delete(id)
      await this.#tidy()
    } catch (error) {
      this.log.error({ reason: (error as Error).message }, 'looking for happenings failed')
    }
    this.#timer = this.#listeners.size ? setTimeout(() => void this.#look(), LOOK_MS) : null
  }

  /** What has an id that is hardly older than `last`, or newer, or has come due since it was last looked. */
  #recent(last: number): Promise<readonly { id: string; at: Date }[]> {
    // it is asked for many times a second and nearly always known: ids and times are enough to see that
    const now = new Date()
    return this.database.query(
      'SELECT id, at FROM happenings WHERE (id > ? AND at <= ?) OR at BETWEEN ? AND ? ORDER BY id LIMIT 2000',
      [Math.max(0, last - LATE), now, new Date(this.#looked - LATE_MS), now],
    )
  }

  /** Happenings by their ids, oldest first. */
  async #whole(ids: readonly string[]): Promise<Happening[]> {
    if (!ids.length) return []
    return this.database.getRepository(Happening).find({ where: { id: In(ids) }, order: { id: 'ASC' } })
  }

  #pass(happening: Happening): void {
    for (const listener of this.#listeners)
      if (listener.personId === happening.personId) listener.tell(happening)
  }

  async #tidy(): Promise<void> {
    if (Date.now() - this.#tidied < TIDY_MS) return
    this.#tidied = Date.now()
    await this.database.getRepository(Happening).delete({ at: LessThan(new Date(Date.now() - KEEP_MS)) })
  }
}
