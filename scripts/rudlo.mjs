/** `npm run -s rudlo -- VERB …`: the command line, built if it is not. */
import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { PrivateDatabase } from './lib/mariadb.mjs'
import { DATA, SERVER_DIST } from './lib/paths.mjs'
import { needDebian, needModules } from './lib/provision.mjs'
import { run } from './lib/run.mjs'
import { giveUp } from './lib/say.mjs'

/** The verbs that read from the database; the others work on files alone. */
const WITH_DATABASE = ['bundle']

await needModules()
await (await import('./build.mjs')).build({ web: false })

const args = process.argv.slice(2)
let database = null
if (WITH_DATABASE.includes(args[0])) {
  if (!existsSync(join(DATA, 'database'))) giveUp('There is no data yet: run npm start once.')
  await needDebian('mariadb-server')
  database = await new PrivateDatabase(join(DATA, 'database')).start()
}
try {
  const { code } = await run(process.execPath, [join(SERVER_DIST, 'rudlo.js'), ...args], {
    show: true,
    // npm changes to the project's folder: files are meant from where it was called
    cwd: process.env.INIT_CWD ?? process.cwd(),
    env: database?.environment ?? {},
  })
  process.exitCode = code
} finally {
  if (database && !database.foreign) await database.stop()
}
