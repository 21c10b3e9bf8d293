/** Data as an earlier version kept it. */
import 'reflect-metadata'
import { join } from 'node:path'
import { dump } from '../scripts/lib/dump.mjs'
import { PrivateDatabase } from '../scripts/lib/mariadb.mjs'
import { dataSource, MIGRATIONS } from '../packages/server/src/database/data-source'
import { OLD_ROWS } from '../packages/server/test/old-rows'

/**
 * Makes an installation as it was after so many changes of the schema, with two people and what is theirs.
 * @param backup a file for a backup of it, if one is wanted
 */
export async function oldInstallation(data: string, changes: number, backup?: string): Promise<void> {
  const database = await new PrivateDatabase(join(data, 'database')).start()
  const source = await dataSource(database.connection, MIGRATIONS.slice(0, 1)).initialize()
  await source.runMigrations({ transaction: 'each' })
  for (const sql of OLD_ROWS) await source.query(sql)
  await source.destroy()
  const later = await dataSource(database.connection, MIGRATIONS.slice(0, changes)).initialize()
  await later.runMigrations({ transaction: 'each' })
  await later.destroy()
  if (backup) await dump(database.connection, backup)
  await database.stop()
}
