/** `npm run restore -- FILE`: puts a backup into an installation that holds nobody yet; `--over` replaces what is there. */
import { existsSync, rmSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { changeOver, decide, incoming, replaced } from './lib/change-over.mjs'
import { claim } from './lib/claim.mjs'
import { isInUse } from './lib/dump.mjs'
import { PrivateDatabase } from './lib/mariadb.mjs'
import { DATA, SERVER_DIST } from './lib/paths.mjs'
import { needDebian, needModules } from './lib/provision.mjs'
import { run } from './lib/run.mjs'
import { giveUp, say } from './lib/say.mjs'

const words = process.argv.slice(2)
const name = words.find((word) => !word.startsWith('--'))
const over = words.includes('--over')
if (!name) giveUp('Say which: npm run restore -- FILE')
const file = resolve(name)
const folder = join(DATA, 'database')

await hold('data')
await hold('database')
await needDebian('mariadb-server')
await needModules()
await (await import('./build.mjs')).build({ web: false })

const present = new PrivateDatabase(folder, { withParent: true })
const next = new PrivateDatabase(incoming(folder), { withParent: true })
let stopped = false
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void end(1))

try {
  await load('--look', file)
  const inUse = await holdsSomebody()
  if (inUse && !over)
    throw new Error('There are people in this installation already. To replace everything add: --over')
  // of a restore that was killed
  await next.endStray()
  rmSync(next.folder, { recursive: true, force: true })
  say('reading the backup in …')
  await next.start()
  await load(file)
  await next.stop()
  decide(folder)
  if (inUse)
    say(
      `what was there before is kept under ${replaced(folder)}: delete it when you do not need it any more.`,
    )
  else rmSync(replaced(folder), { recursive: true, force: true })
  say('restored. npm start serves it.')
  await end(0)
} catch (error) {
  say(error.message)
  await end(1)
}

/** Nobody else serves these data, starts their database, or restores into them. */
async function hold(what) {
  const mine = await claim(DATA, what, { what: 'restore', pid: process.pid })
  if (mine.claimed) return
  const doing = {
    start: 'Rudlo is running: stop it first.',
    backup: 'A backup is being made: wait until it is done.',
  }
  giveUp(doing[mine.holder.what] ?? 'Another restore is under way.')
}

/** Whether anybody is in what is there now. Its database has ended afterwards. */
async function holdsSomebody() {
  if (!existsSync(folder)) return false
  await present.endStray()
  changeOver(folder)
  if (!existsSync(present.files)) return false
  try {
    await present.start()
    const inUse = await isInUse(present.connection)
    await present.stop()
    return inUse
  } catch (error) {
    // what does not start may hold somebody all the same
    if (!over) throw error
    await present.stop()
    return true
  }
}

/** Reads the backup, by the server's own reader. @throws Error with its sentence */
async function load(...args) {
  const { code, output } = await run(
    process.execPath,
    [join(SERVER_DIST, 'rudlo.js'), 'load-backup', ...args],
    {
      env: next.port ? next.environment : {},
    },
  )
  if (code !== 0)
    throw new Error(
      output
        .trim()
        .split('\n')
        .at(-1)
        .replace(/^rudlo: /, '') || 'The restore failed.',
    )
}

/** Leaves nothing half done and nothing running. */
async function end(code) {
  if (stopped) return
  stopped = true
  await next.stop()
  await present.stop()
  rmSync(incoming(folder), { recursive: true, force: true })
  process.exit(code)
}
