/** `npm start`: sets up what is missing and serves. See README.md. */
import { fork } from 'node:child_process'
import { createServer } from 'node:net'
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { PrivateDatabase } from './lib/mariadb.mjs'
import { DATA, SERVER_DIST, WEB_DIST } from './lib/paths.mjs'
import { needDebian, needModules } from './lib/provision.mjs'
import { alive, wait } from './lib/run.mjs'
import { giveUp, say } from './lib/say.mjs'

const FIRST_PORT = 8321
const RUN_FILE = join(DATA, 'run.json')
const empty = process.argv.includes('--empty')
const lan = process.argv.includes('--lan')
/** The word after another one on the command line. */
const after = (word) =>
  process.argv.includes(word) ? process.argv[process.argv.indexOf(word) + 1] : undefined

const [major, minor] = process.versions.node.split('.').map(Number)
if (major < 20 || (major === 20 && minor < 19))
  giveUp(`Node 20.19 or newer is needed; this is ${process.version}.`)

mkdirSync(DATA, { recursive: true, mode: 0o700 })
await leaveIfRunning()
writeFileSync(RUN_FILE, JSON.stringify({ pid: process.pid }))

let server = null
let tls = null
let stopping = false
const database = new PrivateDatabase(join(DATA, 'database'))
process.on('SIGINT', () => void stop(0))
process.on('SIGTERM', () => void stop(0))
process.on('SIGHUP', () => void stop(0))

try {
  await needDebian('mariadb-server', 'ffmpeg')
  await needModules()
  await (await import('./build.mjs')).build()
  say('starting the database …')
  await database.start()
  database.onDeath = () => void reviveDatabase()
  tls = await certificateFor()
  await serve(await choosePort(), true)
} catch (error) {
  say(error.message)
  await stop(1)
}

/** Key and certificate where it serves a network; none for this machine alone. */
async function certificateFor() {
  if (!lan) return null
  const { certificate, given } = await import('./lib/certificate.mjs')
  if (after('--cert') || after('--key')) return given(after('--key'), after('--cert'))
  return certificate(join(DATA, 'tls'))
}

/** Where an instance of this data folder runs already, says so and ends. */
async function leaveIfRunning() {
  if (!existsSync(RUN_FILE)) return
  try {
    const { pid, port } = JSON.parse(readFileSync(RUN_FILE, 'utf8'))
    const command = alive(pid) && pid !== process.pid ? readFileSync(`/proc/${pid}/cmdline`, 'utf8') : ''
    if (command.includes('start.mjs')) {
      say(port ? `already running at http://localhost:${port}` : 'already starting in another terminal.')
      process.exit(0)
    }
  } catch {
    // a file cut off in the middle of writing says nothing
  }
  rmSync(RUN_FILE, { force: true })
}

async function choosePort() {
  if (process.env.PORT) {
    const port = Number(process.env.PORT)
    if (!Number.isInteger(port) || port < 1 || port > 65535)
      throw new Error(`PORT=${process.env.PORT} is no port.`)
    if (!(await isFree(port))) throw new Error(`Port ${port} is in use. Choose another one with PORT=…`)
    return port
  }
  for (let port = FIRST_PORT; port < FIRST_PORT + 200; port++) if (await isFree(port)) return port
  throw new Error('No free port found.')
}

function isFree(port) {
  return new Promise((resolve) => {
    const probe = createServer()
    probe.once('error', () => resolve(false))
    probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(true)))
  })
}

/** Runs the server; a server that dies by itself is started again. */
async function serve(port, first) {
  server = fork(join(SERVER_DIST, 'main.js'), [], {
    execArgv: ['--enable-source-maps'],
    env: {
      ...process.env,
      NODE_ENV: 'production',
      ...database.environment,
      RUDLO_PORT: String(port),
      RUDLO_DEMO: empty ? '0' : '1',
      RUDLO_WEB: WEB_DIST,
      ...(tls ? { RUDLO_LAN: '1', RUDLO_TLS_KEY: tls.key, RUDLO_TLS_CERT: tls.cert } : {}),
      RUDLO_LOG: join(DATA, 'server.log'),
    },
  })
  const started = Date.now()
  server.on('message', (message) => {
    if (message.step) say(`${message.step} …`)
    if (message.failed) say(message.failed)
    if (message.ready) {
      writeFileSync(RUN_FILE, JSON.stringify({ pid: process.pid, port: message.port }))
      if (first) void welcome(message)
    }
  })
  server.on('exit', (code) => {
    if (stopping) return
    if (first && Date.now() - started < 60_000 && code === 1) return void stop(1)
    say('the server ended by itself; starting it again …')
    setTimeout(() => stopping || void serve(port, false), 1000)
  })
}

async function welcome({ port, demo, code }) {
  const lines = ['', `Rudlo is ready:  ${tls ? 'https' : 'http'}://localhost:${port}`]
  if (tls) {
    const { addresses } = await import('./lib/certificate.mjs')
    for (const address of addresses()) lines.push(`In this network:  https://${address}:${port}`)
    lines.push('', `Machines of the class trust it once they trust this certificate:  ${tls.cert}`)
    lines.push('(docs/running.md says how; until then browsers warn, and go on where they are told to)')
  }
  lines.push('')
  if (demo) {
    lines.push('Demo sign-ins (the sign-in page offers them by name):')
    lines.push('  teacher   maren')
    lines.push('  students  ines, tobin, wilma, oskar, petra, jonas, ayla, rune, bea, milan')
    lines.push('  password  evening-ferry', '')
  }
  if (code) lines.push(`No teacher yet. Open the address and use this one-time code:  ${code}`, '')
  lines.push('Ctrl-C stops it.', '')
  process.stdout.write(lines.join('\n'))
}

async function reviveDatabase() {
  if (stopping) return
  say('the database ended by itself; starting it again …')
  for (let tries = 0; tries < 5 && !stopping; tries++) {
    try {
      await database.start()
      return
    } catch (error) {
      say(error.message)
      await wait(1000)
    }
  }
  await stop(1)
}

async function stop(code) {
  if (stopping) return
  stopping = true
  if (server && server.exitCode === null && server.signalCode === null) {
    const gone = new Promise((resolve) => server.once('exit', resolve))
    server.kill('SIGTERM')
    await Promise.race([gone, wait(11_000)])
  }
  await database.stop()
  rmSync(RUN_FILE, { force: true })
  process.exit(code)
}
