import { lstatSync, mkdtempSync, readdirSync, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { point } from '@rudlo/core/envelope'
import { PrivateDatabase } from '../../../scripts/lib/mariadb.mjs'
import { dataSource } from '../src/database/data-source'
import { workNow } from '../src/works/documents'
import type { Refused } from './client'
import { openWork, saveOf } from './story'
import { makeWorld, type World } from './world'

const folder = mkdtempSync(join(tmpdir(), 'rudlo-kill-'))
const database = new PrivateDatabase(folder, { more: 'test\\_%' })
let world: World
beforeAll(async () => {
  await database.start()
  world = await makeWorld({ connection: database.connection })
})
afterAll(async () => {
  await world.close()
  await database.stop()
  rmSync(folder, { recursive: true, force: true })
})

it('writes every transaction to disk before it is acknowledged', async () => {
  const rows = (await world.database.query(
    "SHOW VARIABLES WHERE Variable_name IN ('innodb_flush_log_at_trx_commit', 'innodb_doublewrite', 'bind_address')",
  )) as { Variable_name: string; Value: string }[]
  expect(Object.fromEntries(rows.map((r) => [r.Variable_name, r.Value]))).toEqual({
    innodb_flush_log_at_trx_commit: '1',
    innodb_doublewrite: 'ON',
    bind_address: '127.0.0.1',
  })
  expect(statSync(join(folder, 'password')).mode & 0o777).toBe(0o600)
})

it('has one account, which needs its password and owns its schemas alone', async () => {
  const grants = (await world.database.query('SHOW GRANTS')) as Record<string, string>[]
  expect(grants.flatMap((g) => Object.values(g)).map((g) => g.replace(/ IDENTIFIED BY.*/, ''))).toEqual([
    'GRANT USAGE ON *.* TO `rudlo`@`127.0.0.1`',
    'GRANT ALL PRIVILEGES ON `rudlo`.* TO `rudlo`@`127.0.0.1`',
    // what the tests themselves were given
    'GRANT ALL PRIVILEGES ON `test\\_%`.* TO `rudlo`@`127.0.0.1`',
  ])
  for (const sql of [
    "SELECT 1 INTO OUTFILE '/tmp/rudlo-written'",
    "SELECT LOAD_FILE('/etc/passwd') AS file FROM mysql.global_priv",
    'CREATE DATABASE elsewhere',
    'SET GLOBAL max_connections = 1',
    "CREATE USER 'more'@'%'",
  ])
    await expect(world.database.query(sql)).rejects.toThrow(/denied/i)
  for (const wrong of [{ password: 'wrong' }, { username: 'root' }, { username: 'root', password: '' }])
    await expect(dataSource({ ...database.connection, ...wrong }).initialize()).rejects.toThrow(/denied/i)
})

it('keeps its files to itself', () => {
  const open: string[] = []
  const look = (path: string) => {
    const about = lstatSync(path)
    if (about.mode & 0o077) open.push(path)
    if (about.isDirectory()) for (const name of readdirSync(path)) look(join(path, name))
  }
  look(folder)
  expect(open).toEqual([])
})

it('loses no acknowledged save when it is killed, and says so while it is away', async () => {
  const anna = await world.as('anna')
  const work = await openWork(world, anna)
  let { revision } = work
  for (let round = 0; round < 3; round++) {
    for (let i = 0; i < 10; i++) {
      const saved = await anna.patch<{ revision: number }>(
        `/api/works/${work.id}`,
        saveOf(revision, [point(round * 100 + i, -i)]),
      )
      expect(saved.status).toBe(200)
      revision = saved.body.revision
    }
    await database.kill()
    const away = await anna.patch<Refused>(`/api/works/${work.id}`, saveOf(revision, [point(0, 0)]))
    expect([away.status, away.body.error.code]).toEqual([503, 'database-away'])
    await database.start()
    const kept = await workNow(world.database, work.id)
    expect(kept.revision).toBe(revision)
    expect(kept.document).toMatchObject({
      mix: { envelopes: [{ points: [point(round * 100 + 9, -9)] }] },
    })
  }
})
