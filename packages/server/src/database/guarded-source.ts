import { AsyncLocalStorage } from 'node:async_hooks'
import { DataSource, type DataSourceOptions, type EntityManager } from 'typeorm'

/** How long somebody waits for a connection of the pool before being told to try again. */
const LONGEST_WAIT_MS = 5000
/** A transaction that met another one is rolled back by the database as a whole: it is begun anew so often. */
const TRIES = 4
const MEETINGS = ['ER_LOCK_DEADLOCK', 'ER_CHECKREAD']

/** Runs a transaction, anew where the database rolled it back because it met another one. */
export async function untilNobodyMet<T>(run: () => Promise<T>): Promise<T> {
  for (let tries = 1; ; tries++) {
    try {
      return await run()
    } catch (error) {
      if (tries === TRIES || !MEETINGS.includes((error as { code?: string }).code ?? '')) throw error
    }
  }
}

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
 *
 * A second connection is refused wherever this is worked on and tested. In production it is not looked for: this Node would
 * call back for every promise of the process, a tenth of what a save costs. There it would be waited for, and refused in the end.
 */
export class GuardedDataSource extends DataSource {
  readonly #inside = process.env['NODE_ENV'] === 'production' ? null : new AsyncLocalStorage<true>()

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
    const within: InTransaction<T> = (manager) =>
      this.#inside ? this.#inside.run(true, () => run(manager)) : run(manager)
    return untilNobodyMet(() =>
      args.length === 2 ? super.transaction(args[0] as 'READ COMMITTED', within) : super.transaction(within),
    )
  }

  #guard(pool: Pool): void {
    const take = pool.getConnection.bind(pool)
    pool.getConnection = (done) => {
      if (this.#inside?.getStore()) return done(new Error('A transaction asked for another connection.'))
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
