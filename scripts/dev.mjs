/**
 * `npm run dev`: the server, started again whenever its sources change, and Vite with the page as it is written, on the database
 * of `npm start`.
 */
import { fork, spawn } from 'node:child_process'
import { mkdirSync, watch } from 'node:fs'
import { join } from 'node:path'
import { build } from './build.mjs'
import { claim } from './lib/claim.mjs'
import { freePort, PrivateDatabase } from './lib/mariadb.mjs'
import { DATA, ROOT, SERVER_DIST } from './lib/paths.mjs'
import { needDebian, needModules } from './lib/provision.mjs'
import { giveUp, say } from './lib/say.mjs'

const SOURCES = ['core', 'contract', 'demo', 'server'].map((name) => join(ROOT, 'packages', name, 'src'))
/** An editor writes several files at once: they are one change. */
const QUIET_MS = 200

process.umask(0o077)
mkdirSync(DATA, { recursive: true, mode: 0o700 })
await needDebian('mariadb-server', 'ffmpeg')
await needModules()
const mine = await claim(DATA, 'data', { what: 'dev', pid: process.pid })
if (!mine.claimed)
  giveUp('Rudlo runs already on this data: end it first, or name another folder with RUDLO_DATA.')

const database = await new PrivateDatabase(join(DATA, 'database')).start()
const port = await freePort()
let server = null
let vite = null
let building = Promise.resolve()
let timer

await restart()
// not by npx, which would leave it behind when it is ended
vite = spawn(process.execPath, [join(ROOT, 'node_modules/vite/bin/vite.js'), '--clearScreen', 'false'], {
  cwd: join(ROOT, 'packages/web'),
  stdio: 'inherit',
  env: { ...process.env, RUDLO_DEV_SERVER: `http://127.0.0.1:${port}` },
})
for (const folder of SOURCES)
  watch(folder, { recursive: true }, (_, name) => {
    if (!name || name.endsWith('.test.ts')) return
    clearTimeout(timer)
    timer = setTimeout(() => void restart(), QUIET_MS)
  })
process.on('SIGINT', () => void stop())
process.on('SIGTERM', () => void stop())

/** Builds the server, and starts it in place of the one that runs. What does not build leaves that one alone. */
function restart() {
  building = building.then(async () => {
    try {
      await build({ web: false })
    } catch (error) {
      return say(`the server was not built: ${error.message}`)
    }
    await endServer()
    server = fork(join(SERVER_DIST, 'main.js'), [], {
      env: {
        ...process.env,
        ...database.environment,
        RUDLO_PORT: String(port),
        RUDLO_DEMO: process.argv.includes('--empty') ? '0' : '1',
        RUDLO_LOG: join(DATA, 'server.log'),
        RUDLO_UPLOADS: join(DATA, 'uploads'),
      },
    })
    server.on('message', (told) => {
      if (told.step) say(`${told.step} …`)
      if (told.failed) say(told.failed)
      if (told.ready) say(`the server is up${told.code ? `; first teacher's code: ${told.code}` : ''}`)
    })
  })
  return building
}

function endServer() {
  const old = server
  server = null
  if (!old || old.exitCode !== null) return Promise.resolve()
  return new Promise((resolve) => {
    old.once('exit', resolve)
    old.kill('SIGTERM')
  })
}

async function stop() {
  clearTimeout(timer)
  vite?.kill('SIGTERM')
  await endServer()
  await database.stop()
  process.exit(0)
}
