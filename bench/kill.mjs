import { spawn } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { gunzipSync } from 'node:zlib'
import mysql from 'mysql2/promise'
import { PrivateDatabase } from '../scripts/lib/mariadb.mjs'
import { ROOT } from '../scripts/lib/paths.mjs'
import { processWith } from '../scripts/lib/processes.mjs'
import { say } from '../scripts/lib/say.mjs'
import { imported } from './core.mjs'
import { entry } from './entry.mjs'
import { randomFrom } from './fuzz-values.mjs'
import { killsUnderLoad } from './kills-under-load.mjs'

/** RUDLO_KILLS says how many kills under load there are; the others follow from it. */
const UNDER_LOAD = Number(process.env.RUDLO_KILLS ?? 40)
const ELSEWHERE = Math.ceil(UNDER_LOAD / 4)

const wait = (ms) => new Promise((resolve) => setTimeout(resolve, ms))
const script = (name) => join(ROOT, 'scripts', `${name}.mjs`)

/** Runs a script of the project on a data folder. */
function run(name, data, ...words) {
  const child = spawn(process.execPath, [script(name), ...words], {
    env: { ...process.env, RUDLO_DATA: data, PORT: '' },
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  let said = ''
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (part) => (said += part))
  const done = new Promise((resolve) => child.once('exit', (code) => resolve({ code, said })))
  return { child, done, said: () => said }
}

/** Kills what runs on a data folder as a power cut would: the starter, its server, its databases. */
async function cutPower(data, ...children) {
  for (const child of children) child.kill('SIGKILL')
  // a server ends when its starter is gone
  for (const path of ['database/files', 'database/incoming/files', 'database/files.part']) {
    const found = processWith(`--datadir=${join(data, path)}`)
    if (found) process.kill(found.pid, 'SIGKILL')
  }
  await wait(150)
}

/** Starts on a data folder, and looks whether it serves. @returns what everybody is called */
async function serves(data, ...words) {
  const { child, done, said } = run('start', data, ...words)
  for (let i = 0; i < 1200 && !said().includes('is ready') && child.exitCode === null; i++) await wait(100)
  const address = /https?:\/\/localhost:\d+/.exec(said())?.[0]
  const ok = address
    ? await fetch(`${address}/api/health`).then(
        (r) => r.ok,
        () => false,
      )
    : false
  const people = ok ? await peopleOf(data) : null
  child.kill('SIGTERM')
  await done
  if (!people) say(`did not serve: ${said().slice(-400)}`)
  return people
}

async function connect(data) {
  const database = new PrivateDatabase(join(data, 'database'))
  await database.join()
  const { host, port, username: user, password, database: name } = database.connection
  return mysql.createConnection({ host, port, user, password, database: name })
}

async function peopleOf(data) {
  const db = await connect(data)
  const [rows] = await db.query('SELECT name FROM people ORDER BY name')
  await db.end()
  return rows.map((r) => r.name)
}

/** A start killed at a random moment, then one that is left alone. */
async function killedStarts(random, folder, name, { words, prepare, wanted, most }, count) {
  let [kills, served] = [0, 0]
  for (let i = 0; i < count; i++) {
    const data = join(folder, `${name}-${i}`)
    await prepare?.(data)
    const { child, done, said } = run('start', data, ...words)
    const end = Date.now() + random() * most
    while (Date.now() < end && !said().includes('is ready')) await wait(20)
    await cutPower(data, child)
    await done
    kills++
    const people = await serves(data, ...words)
    if (people && wanted(people)) served++
    rmSync(data, { recursive: true, force: true })
  }
  return { kills, served }
}

/** Backups and restores killed at a random moment. */
async function killedCopies(random, folder, old) {
  const data = join(folder, 'copies')
  await serves(data, '--empty')
  let [backups, whole, restores, good] = [0, 0, 0, 0]
  for (let i = 0; i < ELSEWHERE; i++) {
    const file = join(folder, `copy-${i}.gz`)
    const { child, done } = run('backup', data, file)
    await wait(random() * 1500)
    child.kill('SIGKILL')
    await done
    const runs = () => processWith(`--datadir=${join(data, 'database/files')}`)
    for (let n = 0; n < 100 && runs(); n++) await wait(100)
    backups++
    const text = existsSync(file) ? gunzipSync(readFileSync(file)).toString() : '-- Dump completed'
    if (text.includes('-- Dump completed') && !runs()) whole++
    rmSync(file, { force: true })
  }
  let before = await serves(data, '--empty')
  for (let i = 0; i < ELSEWHERE; i++) {
    const { child, done } = run('restore', data, old, '--over')
    await wait(random() * 4000)
    child.kill('SIGKILL')
    await done
    await wait(300)
    restores++
    const now = await serves(data, '--empty')
    if (now && [before.join(), OLD.join()].includes(now.join())) good++
    before = now ?? before
  }
  return { backups, whole, restores, good }
}

const OLD = ['Old Anna', 'Old Teacher']

/** Kills at random moments, and what they cost. */
export async function kills() {
  const random = randomFrom(Number(process.env.RUDLO_SEED ?? 20261128))
  const folder = mkdtempSync(join(tmpdir(), 'rudlo-kills-'))
  const { oldInstallation } = await imported('old-installation.ts')
  try {
    say('kills under load …')
    const load = await killsUnderLoad(random, UNDER_LOAD)
    const old = join(folder, 'old.gz')
    await oldInstallation(join(folder, 'oldest'), 1, old)
    say('kills of first starts …')
    const first = await killedStarts(
      random,
      folder,
      'first',
      { words: ['--empty'], wanted: () => true, most: 3500 },
      ELSEWHERE,
    )
    say('kills of upgrades …')
    const upgrades = await killedStarts(
      random,
      folder,
      'upgrade',
      {
        words: ['--empty'],
        prepare: (data) => oldInstallation(data, 1 + Math.floor(random() * 7)),
        wanted: (people) => people.join() === OLD.join(),
        most: 2500,
      },
      ELSEWHERE,
    )
    say('kills of demo starts …')
    const demo = await killedStarts(
      random,
      folder,
      'demo',
      { words: [], wanted: (people) => people.length === 11, most: 16_000 },
      Math.ceil(ELSEWHERE / 3),
    )
    say('kills of backups and restores …')
    const copies = await killedCopies(random, folder, old)
    const good = (name, { kills, served }) => [
      entry('kill', `${name} killed`, kills, '', ''),
      entry('kill', 'the same: served afterwards, with everything', served, '', `>= ${kills}`),
    ]
    return [
      entry('kill', `server or database killed while ${load.students} save`, load.kills, '', ''),
      entry('kill', 'the same: acknowledged saves', load.acknowledged, '', ''),
      entry('kill', 'the same: of them lost', load.lost, '', '<= 0'),
      ...good('first starts', first),
      ...good('upgrades from earlier schemas', upgrades),
      ...good('first starts of the demo', demo),
      entry('kill', 'backups killed', copies.backups, '', ''),
      entry('kill', 'the same: no half file, no database left', copies.whole, '', `>= ${copies.backups}`),
      entry('kill', 'restores over what is there killed', copies.restores, '', ''),
      entry(
        'kill',
        'the same: the one or the other, and it serves',
        copies.good,
        '',
        `>= ${copies.restores}`,
      ),
    ]
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}

/** So many kills that what happens once in a hundred would be seen. */
export async function thousandKills() {
  const random = randomFrom(Number(process.env.RUDLO_SEED ?? 20261130))
  const { students, kills, servers, acknowledged, lost } = await killsUnderLoad(
    random,
    Number(process.env.RUDLO_KILLS ?? 1000),
  )
  return [
    entry('kills', `server or database killed while ${students} save`, kills, '', '>= 1000'),
    entry('kills', 'the same: of them the server', servers, '', ''),
    entry('kills', 'the same: saves acknowledged and looked for', acknowledged, '', ''),
    entry('kills', 'the same: acknowledged and not there', lost, '', '<= 0'),
  ]
}
