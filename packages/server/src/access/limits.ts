import { RateLimiterMySQL, RateLimiterRes } from 'rate-limiter-flexible'
import { LessThan, type DataSource } from 'typeorm'
import { Limit } from './entities'
import { waitAfter } from './slow-down'

const DAY_SECONDS = 86_400

/** A counter, and how many tries it lets pass before they cost anything. */
export interface Counter {
  readonly id: string
  readonly free: number
}

/**
 * Tries that get slower the more of them there are, counted in the database. A try is counted before it is looked at; one that
 * is told to wait is not counted. The wait after a try belongs to the next one.
 */
export class Limits {
  #made: { readonly tries: RateLimiterMySQL; readonly waits: RateLimiterMySQL } | null = null

  constructor(private readonly database: DataSource) {}

  /** Made when they are needed first: the pool is there once the database is open. */
  get #limiters() {
    const of = (keyPrefix: string, points: number) =>
      new RateLimiterMySQL({
        storeClient: Reflect.get(this.database.driver, 'pool'),
        storeType: 'pool',
        dbName: String(this.database.options.database),
        tableName: 'limits',
        tableCreated: true,
        clearExpiredByTimeout: false,
        keyPrefix,
        points,
        duration: DAY_SECONDS,
      })
    return (this.#made ??= { tries: of('tries', Number.MAX_SAFE_INTEGER), waits: of('wait', 1) })
  }

  /** Counts a try with all of its counters, unless one of them says to wait. @returns seconds to wait, 0 where it was counted */
  async count(counters: readonly Counter[]): Promise<number> {
    const { tries, waits } = this.#limiters
    const running = await Promise.all(counters.map(({ id }) => waits.get(id)))
    const left = Math.max(0, ...running.map((wait) => seconds(wait)))
    if (left > 0) return left
    for (const [i, { id, free }] of counters.entries()) {
      const { consumedPoints } = await tries.consume(id)
      const wait = waitAfter(consumedPoints - free)
      const refused = wait > 0 ? await this.#begin(id, wait) : 0
      if (!refused) continue
      // somebody else tried at this very moment: this one was none
      await Promise.all(counters.slice(0, i + 1).map((counter) => tries.reward(counter.id)))
      return refused
    }
    return 0
  }

  /** Begins the wait of the next try. @returns 0, or the seconds that are left where it runs already */
  async #begin(id: string, customDuration: number): Promise<number> {
    try {
      await this.#limiters.waits.consume(id, 1, { customDuration })
      return 0
    } catch (refused) {
      if (refused instanceof RateLimiterRes) return Math.max(1, seconds(refused))
      throw refused
    }
  }

  /** Forgets what was counted: the right one was among the tries. */
  async forget(counters: readonly Counter[]): Promise<void> {
    const { tries, waits } = this.#limiters
    await Promise.all(counters.flatMap(({ id }) => [tries.delete(id), waits.delete(id)]))
  }

  /** Clears away what is over. */
  async tidy(): Promise<void> {
    await this.database.getRepository(Limit).delete({ expire: LessThan(String(Date.now())) })
  }
}

/** Whole seconds that a wait still takes; 0 where there is none. */
const seconds = (wait: RateLimiterRes | null): number => (wait ? Math.ceil(wait.msBeforeNext / 1000) : 0)
