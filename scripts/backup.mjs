/** `npm run backup -- FILE`: everything in one file, while Rudlo runs or not. */
import { statSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { dump } from './lib/dump.mjs'
import { PrivateDatabase } from './lib/mariadb.mjs'
import { DATA } from './lib/paths.mjs'
import { needDebian } from './lib/provision.mjs'
import { giveUp, say } from './lib/say.mjs'

const [name] = process.argv.slice(2)
if (!name) giveUp('Say where to: npm run backup -- FILE')
const file = resolve(name)

await needDebian('mariadb-server')
const database = await new PrivateDatabase(join(DATA, 'database')).start()
try {
  await dump(database.connection, file)
  say(`${file}: ${(statSync(file).size / 2 ** 20).toFixed(1)} MB, everything as it was a moment ago.`)
} catch (error) {
  process.exitCode = 1
  say(error.message)
} finally {
  if (!database.foreign) await database.stop()
}
