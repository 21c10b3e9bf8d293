import type { DataSource, MigrationInterface, QueryRunner } from 'typeorm'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { WHOLE } from '../../../scripts/lib/whole.mjs'
import { dataSource, MIGRATIONS } from '../src/database/data-source'
import { bringUpToDate } from '../src/database/up-to-date'
import { OLD_ROWS } from './old-rows'
import { emptyDatabase } from './world'

/** The power goes. */
class Killed extends Error {}

/** A runner that is killed after its nth statement, when the database has done it and nobody was told. */
function killedAfter(runner: QueryRunner, n: number): QueryRunner {
  let done = 0
  return new Proxy(runner, {
    get(target, name) {
      if (name !== 'query') return Reflect.get(target, name) as unknown
      return async (sql: string, parameters?: unknown[]) => {
        const answer: unknown = await target.query(sql, parameters)
        if (++done === n) throw new Killed()
        return answer
      }
    },
  })
}

/** Every table as it is defined. */
async function schemaOf(database: DataSource): Promise<Record<string, string>> {
  const tables: Record<string, string>[] = await database.query('SHOW TABLES')
  const all: Record<string, string> = {}
  for (const name of tables.flatMap((row) => Object.values(row)).sort()) {
    const [row] = (await database.query(`SHOW CREATE TABLE ${name}`)) as Record<string, string>[]
    all[name] = row!['Create Table']!.replace(/ AUTO_INCREMENT=\d+/, '')
  }
  return all
}

/** What was given out long ago stays as it is: only the newest are tried each time. */
const FIRST = WHOLE ? 0 : MIGRATIONS.length - 2

let database: DataSource
let runner: QueryRunner
beforeAll(async () => {
  database = await dataSource(await emptyDatabase(), []).initialize()
  runner = database.createQueryRunner()
  for (const [i, Before] of MIGRATIONS.slice(0, FIRST).entries()) {
    await new Before().up(runner)
    if (i === 0) for (const sql of OLD_ROWS) await runner.query(sql)
  }
})
afterAll(async () => {
  await runner.release()
  await database.destroy()
})

describe.each(MIGRATIONS.map((m, i) => [m.name, i] as const).slice(FIRST))('%s', (_, i) => {
  it('can be killed after any of its statements and run again, over data of the schema before', async () => {
    const migration: MigrationInterface = new MIGRATIONS[i]!()
    const before = await schemaOf(database)
    await migration.up(runner)
    const wanted = await schemaOf(database)
    // all of it twice changes nothing
    await migration.up(runner)
    expect(await schemaOf(database)).toEqual(wanted)
    await migration.down(runner)
    if (i > 0) expect(Object.keys(await schemaOf(database))).toEqual(Object.keys(before))
    let kills = 0
    for (let n = 1; ; n++) {
      const killed = await migration.up(killedAfter(runner, n)).then(
        () => false,
        (error: unknown) => {
          if (!(error instanceof Killed)) throw error
          return true
        },
      )
      if (!killed) break
      kills++
      await migration.up(runner)
      expect(await schemaOf(database), `killed after statement ${n}`).toEqual(wanted)
      await migration.down(runner)
    }
    expect(kills).toBeGreaterThan(0)
    expect(await schemaOf(database)).toEqual(wanted)
    if (i === 0) for (const sql of OLD_ROWS) await runner.query(sql)
    else expect(await runner.query('SELECT text FROM remarks')).toEqual([{ text: 'Old words' }])
  })
})

describe('a database that cannot be served from', () => {
  it('says what to do', async () => {
    const settings = await emptyDatabase()
    const source = await dataSource(settings).initialize()
    await bringUpToDate(source)
    await source.query('ALTER TABLE works DROP COLUMN last_save')
    await expect(bringUpToDate(source)).rejects.toThrow(
      'The database is damaged: works.last_save is missing. Restore a backup: npm run restore -- FILE --over',
    )
    await source.query("INSERT INTO migrations (timestamp, name) VALUES (9, 'Later9')")
    await expect(bringUpToDate(source)).rejects.toThrow(/written by a newer version/)
    await source.destroy()
  })

  it('is brought up to date by one server where several start at once', async () => {
    const settings = await emptyDatabase()
    const servers = await Promise.all([1, 2, 3].map(() => dataSource(settings).initialize()))
    await Promise.all(servers.map((s) => bringUpToDate(s)))
    expect(await servers[0]!.query('SELECT COUNT(*) AS n FROM migrations')).toEqual([
      { n: String(MIGRATIONS.length) },
    ])
    await Promise.all(servers.map((s) => s.destroy()))
  })
})
