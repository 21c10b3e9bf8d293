import { execFileSync, spawn } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync, statSync } from 'node:fs'
import { request } from 'node:https'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { gunzipSync, gzipSync } from 'node:zlib'
import { point } from '@rudlo/core/envelope'
import mysql from 'mysql2/promise'
import { afterAll, describe, expect, inject, it } from 'vitest'
import { checkDump, dump, load } from '../../../scripts/lib/dump.mjs'
import { dataSource } from '../src/database/data-source'
import { handedIn } from './story'
import { freshDatabase, makeWorld } from './world'

const folder = mkdtempSync(join(tmpdir(), 'rudlo-backup-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

/** Everything in a database, table by table. */
async function everything(database: string): Promise<Record<string, unknown[]>> {
  const { host, port, username, password } = inject('connection')
  const db = await mysql.createConnection({ host, port, user: username, password, database })
  const [tables] = await db.query<mysql.RowDataPacket[]>('SHOW TABLES')
  const all: Record<string, unknown[]> = {}
  for (const row of tables) {
    const name = String(Object.values(row)[0])
    const [rows] = await db.query<mysql.RowDataPacket[]>(`SELECT * FROM ${name}`)
    all[name] = rows.map((r) => JSON.stringify(r)).sort()
  }
  await db.end()
  return all
}

const nameOf = (source: { options: { database?: unknown } }) => String(source.options.database)

describe('a backup', () => {
  it('holds everything, made while it is in use, and makes the same of an empty machine', async () => {
    const world = await makeWorld()
    const anna = await world.as('anna')
    await handedIn(world, anna, [point(0, -90), point(1920, -6)])
    const from = nameOf(world.database as never)
    const file = join(folder, 'backup.gz')
    await dump({ ...inject('connection'), database: from }, file)
    expect(statSync(file).mode & 0o777).toBe(0o600)
    const target = await freshDatabase()
    const to = nameOf(target as never)
    await load({ ...inject('connection'), database: to }, file)
    const [before, after] = [await everything(from), await everything(to)]
    expect(Object.keys(after).length).toBeGreaterThan(20)
    expect(after).toEqual(before)
    await target.destroy()
    await world.close()
  }, 60_000)

  it('is refused where it is none, damaged or cut off, before anything is touched', async () => {
    const whole = readFileSync(join(folder, 'backup.gz'))
    const write = (name: string, bytes: Uint8Array) => {
      writeFileSync(join(folder, name), bytes)
      return join(folder, name)
    }
    const cut = write('cut.gz', whole.subarray(0, whole.length / 2))
    const half = write('half.gz', gzipSync(gunzipSync(whole).subarray(0, 5000)))
    const other = write('other.gz', gzipSync('DROP TABLE people;'))
    await expect(checkDump(cut)).rejects.toThrow('damaged or cut off')
    await expect(checkDump(half)).rejects.toThrow('damaged or cut off')
    await expect(checkDump(other)).rejects.toThrow('no backup of Rudlo')
    await expect(checkDump(join(folder, 'none.gz'))).rejects.toThrow('There is no file')
  })
})

describe('an older version’s data', () => {
  it('comes up to date from the first schema on, and nothing is lost on the way', async () => {
    const source = await freshDatabase()
    for (let undone = source.migrations.length; undone > 1; undone--) await source.undoLastMigration()
    await source.query(
      "INSERT INTO people (id, name, sign_in, password_hash, role) VALUES ('p1', 'Old Anna', 'anna', '', 'student'), ('t1', 'Old Teacher', 'teacher', '', 'teacher')",
    )
    await source.query(
      "INSERT INTO class_groups (id, name, place, join_code) VALUES ('g1', 'Old', '', 'OLD')",
    )
    await source.query("INSERT INTO songs (id, title) VALUES ('s1', 'Old song')")
    await source.query(
      "INSERT INTO song_versions (id, song_id, number, document) VALUES ('v1', 's1', 1, '{}')",
    )
    await source.query(
      "INSERT INTO assignments (id, group_id, song_version_id, title, brief, starting_mix, rubric, created_at) VALUES ('a1', 'g1', 'v1', 'Old', '{}', '{}', '{}', NOW())",
    )
    await source.query(
      "INSERT INTO works (id, assignment_id, person_id, revision, document, window, last_save, updated_at) VALUES ('w1', 'a1', 'p1', 2, '{}', '', '', NOW())",
    )
    await source.query(
      "INSERT INTO hand_ins (id, work_id, number, song_version_id, revision, document, state, handed_in_at) VALUES ('h1', 'w1', 1, 'v1', 2, '{}', 'waiting', NOW())",
    )
    await source.query(
      "INSERT INTO remarks (id, hand_in_id, author_id, lane, from_tick, to_tick, text, created_at) VALUES ('r1', 'h1', 't1', 'track/x/level', 0, 9, 'Old words', NOW())",
    )
    const settings = { ...inject('connection'), database: nameOf(source as never) }
    await source.destroy()
    const again = await dataSource(settings).initialize()
    await again.runMigrations({ transaction: 'each' })
    expect(await again.query('SELECT name, must_change FROM people ORDER BY name')).toMatchObject([
      { name: 'Old Anna' },
      { name: 'Old Teacher' },
    ])
    expect(await again.query('SELECT text, revision FROM remarks')).toEqual([
      { text: 'Old words', revision: 1 },
    ])
    expect(await again.query('SELECT state, same_as FROM hand_ins')).toEqual([
      { state: 'waiting', same_as: null },
    ])
    await again.destroy()
  }, 60_000)
})

describe('a network', () => {
  it('is served over HTTPS with a certificate of this machine, and by an installation of one’s own alone', async () => {
    const script = fileURLToPath(new URL('../../../scripts/start.mjs', import.meta.url))
    const data = join(folder, 'lan')
    const child = spawn(process.execPath, [script, '--empty', '--lan'], {
      env: { ...process.env, RUDLO_DATA: data },
    })
    let text = ''
    for (const stream of [child.stdout, child.stderr])
      stream.on('data', (part: Buffer) => (text += part.toString()))
    try {
      for (let i = 0; i < 600 && !/Rudlo is ready/.test(text) && child.exitCode === null; i++)
        await new Promise((done) => setTimeout(done, 100))
      const port = /https:\/\/localhost:(\d+)/.exec(text)?.[1]
      expect(port, text).toBeDefined()
      const ca = readFileSync(join(data, 'tls/cert.pem'))
      const answer = await new Promise<number | undefined>((resolve, reject) => {
        request({ host: 'localhost', port, path: '/api/health', ca }, (r) => resolve(r.statusCode))
          .on('error', reject)
          .end()
      })
      expect(answer).toBe(200)
      expect(statSync(join(data, 'tls/key.pem')).mode & 0o777).toBe(0o600)
      // everything in one file, while it runs
      const file = join(folder, 'lan.gz')
      const backup = fileURLToPath(new URL('../../../scripts/backup.mjs', import.meta.url))
      execFileSync(process.execPath, [backup, file], { env: { ...process.env, RUDLO_DATA: data } })
      await checkDump(file)
    } finally {
      child.kill('SIGTERM')
      await new Promise((done) => child.once('exit', done))
    }
  }, 120_000)
})
