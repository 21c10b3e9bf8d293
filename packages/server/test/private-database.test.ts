import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import mysql, { type RowDataPacket } from 'mysql2/promise'
import { afterAll, describe, expect, it } from 'vitest'
import { PrivateDatabase } from '../../../scripts/lib/mariadb.mjs'

const folder = mkdtempSync(join(tmpdir(), 'rudlo-private-'))
/** Whoever started or took over the database last. */
let owner = new PrivateDatabase(folder)
afterAll(async () => {
  await owner.stop()
  rmSync(folder, { recursive: true, force: true })
})

/** Asks the database something, as its owner. */
async function ask(sql: string): Promise<object[]> {
  const { host, port, username: user, password, database } = owner.connection
  const connection = await mysql.createConnection({ host, port, user, password, database })
  const [found] = await connection.query<RowDataPacket[]>(sql)
  await connection.end()
  return found
}

it('keeps its tables of the moment to itself, and takes nobody’s away', async () => {
  // a database that starts takes every table of the moment that it finds for one of its own, left by a crash
  const strangers = join(tmpdir(), '#sql-temptable-feed-1-1.MAI')
  writeFileSync(strangers, '')
  await owner.start()
  expect(existsSync(strangers)).toBe(true)
  rmSync(strangers)
  expect(await ask('SELECT @@tmpdir AS own')).toEqual([{ own: join(folder, 'tmp') }])
})

describe('a database that outlived its starter', () => {
  const there = (name: string) => join(folder, name)

  it.each<[string, () => void]>([
    ['its password file is gone', () => rmSync(there('password'))],
    ['its password file is cut off', () => writeFileSync(there('password'), 'ab')],
    ['its pid file is gone', () => rmSync(there('mariadbd.pid'))],
    ['its pid file names a stranger', () => writeFileSync(there('mariadbd.pid'), '1\n')],
    ['nothing about it is left', () => ['password', 'mariadbd.pid'].forEach((f) => rmSync(there(f)))],
  ])('is found where %s, and everything in it', async (_, harm) => {
    await owner.start()
    await ask('CREATE OR REPLACE TABLE kept (word TEXT)')
    await ask("INSERT INTO kept VALUES ('a fade')")
    harm()
    owner = new PrivateDatabase(folder)
    await owner.start()
    expect(await ask('SELECT word FROM kept')).toEqual([{ word: 'a fade' }])
    expect(readFileSync(there('password'), 'utf8')).toMatch(/^[0-9a-f]{48}$/)
  })
})
