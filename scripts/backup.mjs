/** `npm run backup -- FILE`: everything in one file, while Rudlo runs or not. */
import { existsSync, rmSync, statSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { claim } from './lib/claim.mjs'
import { dump } from './lib/dump.mjs'
import { PrivateDatabase } from './lib/mariadb.mjs'
import { DATA } from './lib/paths.mjs'
import { needDebian } from './lib/provision.mjs'
import { wait } from './lib/run.mjs'
import { giveUp, say } from './lib/say.mjs'

const [name] = process.argv.slice(2)
if (!name) giveUp('Say where to: npm run backup -- FILE')
const file = resolve(name)
if (!existsSync(join(DATA, 'database'))) giveUp('There is nothing to back up yet: run npm start once.')

await needDebian('mariadb-server')
const database = new PrivateDatabase(join(DATA, 'database'), { withParent: true })
await openDatabase()
let stopped = false
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void end(1))
try {
  await dump(database.connection, file)
  say(`${file}: ${(statSync(file).size / 2 ** 20).toFixed(1)} MB, everything as it was a moment ago.`)
  await end(0)
} catch (error) {
  say(error.message)
  await end(1)
}

/** The database of whoever serves; where nobody does, one that is started and ended here. */
async function openDatabase() {
  for (let tries = 0; tries < 240; tries++) {
    const mine = await claim(DATA, 'database', { what: 'backup', pid: process.pid })
    if (mine.claimed) return database.start()
    if (mine.holder.what === 'restore')
      giveUp('A backup is being restored just now: try again when that is done.')
    // it may be starting just now
    if (await database.join()) return
    await wait(250)
  }
  giveUp('The database does not answer.')
}

async function end(code) {
  if (stopped) return
  stopped = true
  rmSync(`${file}.part`, { force: true })
  if (!database.foreign) await database.stop()
  process.exit(code)
}
