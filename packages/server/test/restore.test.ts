import { spawn, type ChildProcess } from 'node:child_process'
import {
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { gunzipSync, gzipSync } from 'node:zlib'
import mysql from 'mysql2/promise'
import { afterAll, beforeAll, describe, expect, it, onTestFinished } from 'vitest'
import { claim } from '../../../scripts/lib/claim.mjs'
import { dump } from '../../../scripts/lib/dump.mjs'
import { PrivateDatabase } from '../../../scripts/lib/mariadb.mjs'
import { processWith } from '../../../scripts/lib/processes.mjs'
import { WHOLE } from '../../../scripts/lib/whole.mjs'
import { dataSource, MIGRATIONS, type DatabaseSettings } from '../src/database/data-source'
import { bringUpToDate } from '../src/database/up-to-date'
import { Person } from '../src/people/entities'
import { OLD_ROWS } from './old-rows'
import { emptyDatabase } from './world'

const script = (name: string) => fileURLToPath(new URL(`../../../scripts/${name}.mjs`, import.meta.url))
const folder = mkdtempSync(join(tmpdir(), 'rudlo-restore-'))
/** An installation with one person, "Present", as it was before each try. */
const template = join(folder, 'template')
/** A backup of the first schema, with "Old Anna" and "Old Teacher". */
const backup = join(folder, 'old.gz')

beforeAll(async () => {
  const database = new PrivateDatabase(join(template, 'database'))
  await database.start()
  const source = await dataSource(database.connection).initialize()
  await bringUpToDate(source)
  await source.query(
    "INSERT INTO people (id, name, sign_in, password_hash, role) VALUES ('p', 'Present', 'present', '', 'teacher')",
  )
  await source.destroy()
  await database.stop()
  const settings = await emptyDatabase()
  const old = await dataSource(settings, MIGRATIONS.slice(0, 1)).initialize()
  await old.runMigrations({ transaction: 'each' })
  for (const sql of OLD_ROWS) await old.query(sql)
  await old.destroy()
  await dump(settings, backup)
})
afterAll(() => rmSync(folder, { recursive: true, force: true }))

let count = 0
/** A copy of the installation. */
function installation(): string {
  const data = join(folder, `data-${count++}`)
  cpSync(template, data, { recursive: true })
  return data
}

interface Ran {
  readonly child: ChildProcess
  readonly done: Promise<{ readonly code: number | null; readonly said: string }>
}

function run(name: string, data: string, ...words: string[]): Ran {
  const child = spawn(process.execPath, [script(name), ...words], {
    env: { ...process.env, RUDLO_DATA: data },
  })
  let said = ''
  for (const stream of [child.stdout, child.stderr])
    stream.on('data', (part: Buffer) => (said += part.toString()))
  return { child, done: new Promise((resolve) => child.once('exit', (code) => resolve({ code, said }))) }
}

/** Comes back once a process says something, or has ended. */
const saying = (child: ChildProcess, words: string) =>
  new Promise<void>((resolve) => {
    let said = ''
    for (const stream of [child.stdout!, child.stderr!])
      stream.on('data', (part: Buffer) => {
        said += part.toString()
        if (said.includes(words)) resolve()
      })
    child.once('close', () => resolve())
  })

/** Starts the database of an installation, asks it something, and ends it. */
async function inDatabase<T>(data: string, ask: (settings: DatabaseSettings) => Promise<T>): Promise<T> {
  const database = await new PrivateDatabase(join(data, 'database')).start()
  try {
    return await ask(database.connection)
  } finally {
    await database.stop()
  }
}

/** Everybody in an installation. */
const peopleIn = (data: string) =>
  inDatabase(data, async ({ username: user, host, port, password, database }) => {
    const connection = await mysql.createConnection({ host, port, user, password, database })
    const [rows] = await connection.query<mysql.RowDataPacket[]>('SELECT name FROM people ORDER BY name')
    await connection.end()
    return rows.map(({ name }) => String(name))
  })

const WRITES_ON = `
  const { mkdirSync, writeFileSync } = require('node:fs')
  for (let i = 0; ; i++) {
    mkdirSync(process.argv[1] + '/sys', { recursive: true })
    writeFileSync(process.argv[1] + '/sys/' + (i % 50), '')
  }`
/** With what was said, so that a failure says why. */
const WENT_WELL = { code: 0, said: expect.any(String) }
const PRESENT = ['Present']
const RESTORED = ['Old Anna', 'Old Teacher']
const databasesOf = (data: string) =>
  ['database/files', 'database/incoming/files'].map((path) => processWith(`--datadir=${join(data, path)}`))
const isOver = (data: string) => {
  expect(databasesOf(data)).toEqual([null, null])
  expect(readdirSync(join(data, 'database')).filter((n) => /incoming|part|restored/.test(n))).toEqual([])
}

describe('a restore', () => {
  it.runIf(WHOLE)(
    'is refused where somebody is there, and replaces everything where that is wanted',
    async () => {
      const data = installation()
      const refused = await run('restore', data, backup).done
      expect(refused).toMatchObject({
        code: 1,
        said: expect.stringContaining('There are people in this installation already'),
      })
      expect(await peopleIn(data)).toEqual(PRESENT)
      const made = await run('restore', data, backup, '--over').done
      expect(made).toEqual(WENT_WELL)
      expect(await peopleIn(data)).toEqual(RESTORED)
      isOver(data)
      // what was there is kept beside it, once
      expect(existsSync(join(data, 'database/replaced'))).toBe(true)
    },
  )

  it.runIf(WHOLE)('goes into a machine that holds nothing', async () => {
    const data = join(folder, 'nothing')
    expect(await run('restore', data, backup).done).toEqual(WENT_WELL)
    expect(await peopleIn(data)).toEqual(RESTORED)
    expect(existsSync(join(data, 'database/replaced'))).toBe(false)
    // the backup is of the first version: what is read in is brought up to this one
    await inDatabase(data, async (settings) => {
      const source = await dataSource(settings).initialize()
      await bringUpToDate(source)
      expect(await source.getRepository(Person).count()).toBe(RESTORED.length)
      await source.destroy()
    })
    isOver(data)
  })

  it.runIf(WHOLE)('leaves what was there where one row cannot be read in', async () => {
    const data = installation()
    const text = gunzipSync(readFileSync(backup)).toString()
    const bad = join(folder, 'bad.gz')
    // the same person twice
    writeFileSync(bad, gzipSync(text.replace(/(INSERT INTO `people` VALUES\n)(\([^\n]*?\)),/, '$1$2,\n$2,')))
    const failed = await run('restore', data, bad, '--over').done
    expect(failed.code).toBe(1)
    expect(failed.said).toMatch(/cannot be read in/)
    isOver(data)
    expect(await peopleIn(data)).toEqual(PRESENT)
  })

  it('that is killed leaves the one or the other, whole, and the next one goes through', async () => {
    const data = installation()
    for (const ms of WHOLE ? [400, 1200, 2500] : [1200]) {
      const { child, done } = run('restore', data, backup, '--over')
      setTimeout(() => child.kill('SIGKILL'), ms)
      await done
      // its databases end with it
      await expect.poll(() => databasesOf(data), { timeout: 10_000 }).toEqual([null, null])
      expect([PRESENT, RESTORED], `after ${ms} ms`).toContainEqual(await peopleIn(data))
    }
    expect(await run('restore', data, backup, '--over').done).toEqual(WENT_WELL)
    expect(await peopleIn(data)).toEqual(RESTORED)
    isOver(data)
  })

  it.runIf(WHOLE)(
    'goes through though what made files for an earlier one, which was killed, still does',
    async () => {
      const data = installation()
      const part = join(data, 'database/incoming/files.part')
      mkdirSync(part, { recursive: true })
      // as the database that makes system tables: it writes on, whatever is taken away
      const maker = spawn(process.execPath, ['-e', WRITES_ON, part, `--datadir=${part}`], { stdio: 'ignore' })
      onTestFinished(() => void maker.kill('SIGKILL'))
      const over = new Promise((resolve) => maker.once('exit', resolve))
      expect(await run('restore', data, backup, '--over').done).toEqual(WENT_WELL)
      await over
      expect(await peopleIn(data)).toEqual(RESTORED)
      isOver(data)
    },
  )

  it.runIf(WHOLE)('and a start exclude each other, and a run file of a stranger stops neither', async () => {
    const data = installation()
    writeFileSync(join(data, 'run.json'), `{"pid":${process.pid},"port":1}`)
    const { child, done } = run('start', data, '--empty')
    await saying(child, 'is ready')
    const refused = await run('restore', data, backup, '--over').done
    expect(refused).toMatchObject({
      code: 1,
      said: expect.stringContaining('Rudlo is running: stop it first.'),
    })
    // a backup may be made beside it, and leaves its database running
    const saved = join(folder, 'beside.gz')
    expect(await run('backup', data, saved).done).toEqual(WENT_WELL)
    expect(databasesOf(data)[0]).not.toBeNull()
    child.kill('SIGTERM')
    await done
    const restoring = run('restore', data, saved, '--over')
    await saying(restoring.child, 'reading the backup in')
    expect(await claim(data, 'data', {})).toMatchObject({ claimed: false, holder: { what: 'restore' } })
    expect(await restoring.done).toEqual(WENT_WELL)
    expect(await peopleIn(data)).toEqual(PRESENT)
    const held = await claim(data, 'data', { what: 'restore' })
    const late = await run('start', data, '--empty').done
    expect(late.said).toContain('A backup is being restored just now')
    if (held.claimed) held.release()
  })
})

describe('a backup', () => {
  it.runIf(WHOLE)('that is ended in the middle leaves no half file and no database', async () => {
    const data = installation()
    for (const [signal, ms] of [
      ['SIGTERM', 500],
      ['SIGKILL', 700],
    ] as const) {
      const file = join(folder, `${signal}.gz`)
      const { child, done } = run('backup', data, file)
      setTimeout(() => child.kill(signal), ms)
      await done
      for (let i = 0; i < 100 && databasesOf(data)[0]; i++) await new Promise((r) => setTimeout(r, 100))
      expect(databasesOf(data)[0]).toBeNull()
      if (existsSync(file)) expect(gunzipSync(readFileSync(file)).toString()).toContain('-- Dump completed')
    }
    expect(await peopleIn(data)).toEqual(PRESENT)
  })
})
