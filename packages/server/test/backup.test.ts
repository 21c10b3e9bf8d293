import { randomUUID } from 'node:crypto'
import { execFileSync, spawn } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync, statSync } from 'node:fs'
import { request } from 'node:https'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { gunzipSync, gzipSync } from 'node:zlib'
import { point } from '@rudlo/core/envelope'
import fc from 'fast-check'
import mysql from 'mysql2/promise'
import { afterAll, describe, expect, inject, it } from 'vitest'
import type { DataSource } from 'typeorm'
import { dump } from '../../../scripts/lib/dump.mjs'
import { WHOLE } from '../../../scripts/lib/whole.mjs'
import { loadBackup, lookThrough } from '../src/backup/load'
import { dataSource, MIGRATIONS, type DatabaseSettings } from '../src/database/data-source'
import { bringUpToDate } from '../src/database/up-to-date'
import { BankRemarkRow } from '../src/reviews/entities'
import { OLD_ROWS } from './old-rows'
import { handedIn } from './story'
import { emptyDatabase, makeWorld } from './world'

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

const settingsOf = (source: DataSource): DatabaseSettings => ({
  ...inject('connection'),
  database: String(source.options.database),
})

/** What people write, and what trips readers over. */
const NASTY = "O'Neill \\' said \"no\"; -- DROP\n\r\t\0\u2028\u2029 /*! 🎻 */ \u001a),('"

describe('a backup', () => {
  it('holds everything, made while it is in use, and makes the same of an empty machine', async () => {
    const world = await makeWorld()
    const anna = await world.as('anna')
    await handedIn(world, anna, [point(0, -90), point(1920, -6)], { said: NASTY.slice(0, 60) })
    const teacher = await world.as('teacher')
    await teacher.post('/api/bank', { text: NASTY, mistake: null })
    // and whatever else somebody may write
    const texts = fc.sample(fc.string({ unit: 'binary', maxLength: 60 }), 200)
    await world.database.getRepository(BankRemarkRow).insert(
      texts.map((text) => ({
        id: randomUUID(),
        personId: world.anna,
        text,
        mistake: null,
        createdAt: new Date(),
      })),
    )
    const from = settingsOf(world.database)
    const file = join(folder, 'backup.gz')
    await dump(from, file)
    expect(statSync(file).mode & 0o777).toBe(0o600)
    const target = await emptyDatabase()
    await loadBackup(target, file)
    const [before, after] = [await everything(from.database), await everything(target.database)]
    expect(Object.keys(after).length).toBeGreaterThan(20)
    // when each migration was noted is the new machine's own
    for (const all of [before, after]) delete all['migrations']
    expect(after).toEqual(before)
    await world.close()
  })

  it('is refused where it is none, damaged or cut off, before anything is touched', async () => {
    const whole = readFileSync(join(folder, 'backup.gz'))
    const write = (name: string, bytes: Uint8Array) => {
      writeFileSync(join(folder, name), bytes)
      return join(folder, name)
    }
    const cut = write('cut.gz', whole.subarray(0, whole.length / 2))
    const half = write('half.gz', gzipSync(gunzipSync(whole).subarray(0, 50_000)))
    const other = write('other.gz', gzipSync('DROP TABLE people;'))
    await expect(lookThrough(cut)).rejects.toThrow('damaged or cut off')
    await expect(lookThrough(half)).rejects.toThrow('damaged or cut off')
    await expect(lookThrough(write('text.gz', Buffer.from('Dear diary')))).rejects.toThrow(
      'damaged or cut off',
    )
    await expect(lookThrough(other)).rejects.toThrow('no backup of Rudlo')
    await expect(lookThrough(join(folder, 'none.gz'))).rejects.toThrow('There is no file')
  })

  it.each([
    ['a command for the shell', '\\! touch WRITTEN'],
    ['another one', 'system touch WRITTEN'],
    ['a file that is read in', 'source /etc/passwd'],
    ['a file that is written', "SELECT 'x' INTO OUTFILE 'WRITTEN';"],
    ['a trigger', 'CREATE TRIGGER t AFTER INSERT ON people FOR EACH ROW DELETE FROM works;'],
    ['an account', "GRANT ALL ON *.* TO 'eve'@'%' IDENTIFIED BY 'x';"],
    ['a statement behind rows', "INSERT INTO `people` VALUES ('a','b'); DROP TABLE works;"],
    ['a function among values', "INSERT INTO `settings` VALUES\n('a',LOAD_FILE('/etc/passwd'));"],
    ['a query among values', "INSERT INTO `settings` VALUES\n('a',(SELECT 'x'));"],
    ['a comment among values', "INSERT INTO `settings` VALUES\n('a',/*!50000 USER() */);"],
    ['rows that never end', "INSERT INTO `settings` VALUES\n('a','b')"],
    ['too few values', "INSERT INTO `settings` VALUES\n('a');"],
    ['an update', "UPDATE people SET role = 'teacher';"],
  ])('is data and nothing else: %s is refused and never done', async (_, line) => {
    const text = gunzipSync(readFileSync(join(folder, 'backup.gz'))).toString()
    const written = join(folder, 'written')
    const at = text.lastIndexOf('-- Dump completed')
    const crafted = `${text.slice(0, at)}${line.replaceAll('WRITTEN', written)}\n${text.slice(at)}`
    const file = join(folder, 'crafted.gz')
    writeFileSync(file, gzipSync(crafted))
    const target = await emptyDatabase()
    await expect(loadBackup(target, file)).rejects.toThrow(/something other than data|damaged/)
    expect(existsSync(written)).toBe(false)
    expect(await everything(target.database)).toEqual({})
  })

  it('does nothing of what its comments say', async () => {
    const text = gunzipSync(readFileSync(join(folder, 'backup.gz'))).toString()
    const trick = '/*!50003 CREATE TRIGGER t AFTER INSERT ON people FOR EACH ROW SET @a = 1 */;\n'
    const file = join(folder, 'comments.gz')
    writeFileSync(file, gzipSync(text.replace('\nDROP TABLE', `\n${trick}DROP TABLE`)))
    const target = await emptyDatabase()
    await loadBackup(target, file)
    const source = await dataSource(target).initialize()
    expect(await source.query('SHOW TRIGGERS')).toEqual([])
    await source.destroy()
  })

  it('is refused where what it refers to is missing, or it is of a version to come', async () => {
    const text = gunzipSync(readFileSync(join(folder, 'backup.gz'))).toString()
    const pack = (name: string, changed: string) => {
      writeFileSync(join(folder, name), gzipSync(changed))
      return join(folder, name)
    }
    const orphans = text.replace(/INSERT INTO `works` VALUES\n[^\n]*;\n/, '')
    await expect(loadBackup(await emptyDatabase(), pack('orphans.gz', orphans))).rejects.toThrow(
      /refers to what is not in/,
    )
    const newer = text.replace(/'FirstSchema\d+'/, "'Later1999999999999'")
    await expect(lookThrough(pack('newer.gz', newer))).rejects.toThrow(/newer version/)
  })
})

describe('an older version’s data', () => {
  it('comes up to date from the first schema on, in place and from a backup, and nothing is lost on the way', async () => {
    const settings = await emptyDatabase()
    const source = await dataSource(settings, MIGRATIONS.slice(0, 1)).initialize()
    await source.runMigrations({ transaction: 'each' })
    for (const sql of OLD_ROWS) await source.query(sql)
    await source.destroy()
    const file = join(folder, 'old.gz')
    await dump(settings, file)
    const restored = await emptyDatabase()
    await loadBackup(restored, file)
    const again = await dataSource(settings).initialize()
    await bringUpToDate(again)
    for (const database of [again, await dataSource(restored).initialize()]) {
      expect(await database.query('SELECT name, must_change FROM people ORDER BY name')).toMatchObject([
        { name: 'Old Anna' },
        { name: 'Old Teacher' },
      ])
      expect(await database.query('SELECT text, revision FROM remarks')).toEqual([
        { text: 'Old words', revision: 1 },
      ])
      expect(await database.query('SELECT state, same_as FROM hand_ins')).toEqual([
        { state: 'waiting', same_as: null },
      ])
      await database.destroy()
    }
  })
})

describe('a network', () => {
  it.runIf(WHOLE)(
    'is served over HTTPS with a certificate of this machine, and by an installation of one’s own alone',
    async () => {
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
        await lookThrough(file)
      } finally {
        child.kill('SIGTERM')
        await new Promise((done) => child.once('exit', done))
      }
    },
  )
})
