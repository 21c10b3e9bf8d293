import { AsyncLocalStorage } from 'node:async_hooks'
import { DataSource, type DataSourceOptions, type EntityManager } from 'typeorm'

/** How long somebody waits for a connection of the pool before being told to try again. */
const LONGEST_WAIT_MS = 5000
/** A transaction that met another one is rolled back by the database as a whole: it is begun anew so often. */
const TRIES = 4
const MEETINGS = ['ER_LOCK_DEADLOCK', 'ER_CHECKREAD']

/** All connections are in use, and none became free in time. Nothing was done. */
export class PoolBusy extends Error {
  readonly code = 'POOL_BUSY'
  constructor() {
    super('No connection to the database became free in time.')
  }
}

/** What this needs of the driver's pool. */
interface Pool {
  getConnection(done: (error: Error | null, connection?: { release(): void }) => void): void
}

type Isolation = Parameters<EntityManager['transaction']>[0]
type InTransaction<T> = (manager: EntityManager) => Promise<T>

/**
 * A data source whose pool cannot lock up: no transaction may ask for a second connection (enough of them at once would
 * wait for each other for ever), and no wait for a connection is endless.
 */
export class GuardedDataSource extends DataSource {
  readonly #inside = new AsyncLocalStorage<true>()

  constructor(
    options: DataSourceOptions,
    private readonly longestWait = LONGEST_WAIT_MS,
  ) {
    super(options)
  }

  override async initialize(): Promise<this> {
    await super.initialize()
    this.#guard(Reflect.get(this.driver, 'pool') as Pool)
    return this
  }

  /** @throws PoolBusy where no connection becomes free in time */
  override transaction<T>(run: InTransaction<T>): Promise<T>
  override transaction<T>(isolation: Isolation, run: InTransaction<T>): Promise<T>
  override async transaction<T>(...args: [InTransaction<T>] | [Isolation, InTransaction<T>]): Promise<T> {
    const run = args.at(-1) as InTransaction<T>
    const within: InTransaction<T> = (manager) => this.#inside.run(true, () => run(manager))
    for (let tries = 1; ; tries++) {
      try {
        return args.length === 2
          ? await super.transaction(args[0] as 'READ COMMITTED', within)
          : await super.transaction(within)
      } catch (error) {
        if (tries === TRIES || !MEETINGS.includes((error as { code?: string }).code ?? '')) throw error
      }
    }
  }

  #guard(pool: Pool): void {
    const take = pool.getConnection.bind(pool)
    pool.getConnection = (done) => {
      if (this.#inside.getStore()) return done(new Error('A transaction asked for another connection.'))
      let late = false
      const timer = setTimeout(() => {
        late = true
        done(new PoolBusy())
      }, this.longestWait)
      take((error, connection) => {
        clearTimeout(timer)
        // whoever waited has gone: the connection goes to the next one
        if (late) connection?.release()
        else done(error, connection)
      })
    }
  }
}
