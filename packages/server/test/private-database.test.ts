import { existsSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, expect, it } from 'vitest'
import { PrivateDatabase } from '../../../scripts/lib/mariadb.mjs'
import { dataSource } from '../src/database/data-source'

const folder = mkdtempSync(join(tmpdir(), 'rudlo-private-'))
const database = new PrivateDatabase(folder)
afterAll(async () => {
  await database.stop()
  rmSync(folder, { recursive: true, force: true })
})

it('keeps its tables of the moment to itself, and takes nobody’s away', async () => {
  // a database that starts takes every table of the moment that it finds for one of its own, left by a crash
  const strangers = join(tmpdir(), '#sql-temptable-feed-1-1.MAI')
  writeFileSync(strangers, '')
  await database.start()
  expect(existsSync(strangers)).toBe(true)
  rmSync(strangers)
  const source = await dataSource(database.connection).initialize()
  expect(await source.query('SELECT @@tmpdir AS own')).toEqual([{ own: join(folder, 'tmp') }])
  await source.destroy()
})
