/** `npm run restore -- FILE`: puts a backup into an installation that holds nobody yet. */
import { existsSync, readFileSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { checkDump, isInUse, load } from './lib/dump.mjs'
import { PrivateDatabase } from './lib/mariadb.mjs'
import { DATA } from './lib/paths.mjs'
import { needDebian } from './lib/provision.mjs'
import { alive } from './lib/run.mjs'
import { giveUp, say } from './lib/say.mjs'

const [name, over] = process.argv.slice(2)
if (!name) giveUp('Say which: npm run restore -- FILE')
const file = resolve(name)
const runFile = join(DATA, 'run.json')
if (existsSync(runFile)) {
  const { pid } = JSON.parse(readFileSync(runFile, 'utf8'))
  if (alive(pid)) giveUp('Rudlo is running: stop it first.')
}

await needDebian('mariadb-server')
try {
  await checkDump(file)
} catch (error) {
  giveUp(error.message)
}
const database = await new PrivateDatabase(join(DATA, 'database')).start()
try {
  if (over !== '--over' && (await isInUse(database.connection)))
    throw new Error('There are people in this installation already. To replace everything add: --over')
  await load(database.connection, file)
  say('restored. The next npm start brings it up to date where it is of an earlier version.')
} catch (error) {
  process.exitCode = 1
  say(error.message)
} finally {
  if (!database.foreign) await database.stop()
}
