import type { DataSource } from 'typeorm'

/** A database that cannot be served from, with a sentence that says what to do. */
export class DamagedDatabase extends Error {}

/** Seconds that a server waits while another one brings the same database up to date. */
const WAIT_SECONDS = 600

/**
 * Brings the tables to this version. Definitions of tables are not transactional in MariaDB: a kill leaves what was done by
 * then, so every step of every migration can be run again and goes on from what is there.
 * @throws DamagedDatabase where the data is of a newer version, or tables are not what they should be
 */
export async function bringUpToDate(database: DataSource): Promise<void> {
  const lock = database.createQueryRunner()
  try {
    // several servers may start on one database
    const name = `rudlo ${String(database.options.database)}`
    const [{ got }] = (await lock.query('SELECT GET_LOCK(?, ?) AS got', [name, WAIT_SECONDS])) as [
      { got: number | string | null },
    ]
    if (Number(got) !== 1)
      throw new DamagedDatabase('Another server has been changing this database for long.')
    await refuseNewer(database)
    await database.runMigrations({ transaction: 'each' })
    await checkTables(database)
    await lock.query('SELECT RELEASE_LOCK(?)', [name])
  } finally {
    await lock.release()
  }
}

/** Names of the migrations that a database has had, oldest first; none where it is empty. */
async function migrationsHad(database: DataSource): Promise<string[]> {
  const tables: unknown[] = await database.query("SHOW TABLES LIKE 'migrations'")
  if (!tables.length) return []
  const rows: { name: string }[] = await database.query('SELECT name FROM migrations ORDER BY timestamp')
  return rows.map((r) => r.name)
}

async function refuseNewer(database: DataSource): Promise<void> {
  const known = new Set(database.migrations.map((m) => m.constructor.name))
  const strangers = (await migrationsHad(database)).filter((name) => !known.has(name))
  if (strangers.length)
    throw new DamagedDatabase(
      'This data was written by a newer version of Rudlo: start that version, or restore a backup of this one.',
    )
}

/** What every entity stands on has to be there: a table or column that is missing is said before anybody meets it. */
async function checkTables(database: DataSource): Promise<void> {
  const rows: { place: string }[] = await database.query(
    "SELECT CONCAT(table_name, '.', column_name) AS place FROM information_schema.columns WHERE table_schema = DATABASE()",
  )
  const there = new Set(rows.map((r) => r.place.toLowerCase()))
  const missing = database.entityMetadatas.flatMap((entity) =>
    entity.columns
      .map((column) => `${entity.tableName}.${column.databaseName}`.toLowerCase())
      .filter((place) => !there.has(place)),
  )
  if (missing.length)
    throw new DamagedDatabase(
      `The database is damaged: ${missing.slice(0, 3).join(', ')} ${missing.length > 3 ? `and ${missing.length - 3} more are` : missing.length > 1 ? 'are' : 'is'} missing. ` +
        'Restore a backup: npm run restore -- FILE --over',
    )
}
