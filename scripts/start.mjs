/** `npm start`: sets up what is missing and serves. See README.md. */
import { fork } from 'node:child_process'
import { createServer } from 'node:net'
import { existsSync, mkdirSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { incoming } from './lib/change-over.mjs'
import { claim, claimInTurn } from './lib/claim.mjs'
import { PrivateDatabase } from './lib/mariadb.mjs'
import { DATA, SERVER_DIST, WEB_DIST } from './lib/paths.mjs'
import { keepPrivate } from './lib/private-files.mjs'
import { needDebian, needModules } from './lib/provision.mjs'
import { wait } from './lib/run.mjs'
import { giveUp, say } from './lib/say.mjs'
import { SERVING } from './lib/server-process.mjs'
import { watchOver } from './lib/watch-over.mjs'

const FIRST_PORT = 8321
/** What the server ends with where its port is not to be had. */
const PORT_TAKEN = 3
const empty = process.argv.includes('--empty')
const lan = process.argv.includes('--lan')
/** The word after another one on the command line. */
const after = (word) =>
  process.argv.includes(word) ? process.argv[process.argv.indexOf(word) + 1] : undefined

const [major, minor] = process.versions.node.split('.').map(Number)
if (major < 20 || (major === 20 && minor < 19))
  giveUp(`Node 20.19 or newer is needed; this is ${process.version}.`)

// whatever is made from here on is for its owner alone
process.umask(0o077)
mkdirSync(DATA, { recursive: true, mode: 0o700 })

let server = null
let tls = null
let stopping = false
/** Whether it was said where it runs: that is so once a server was ready for the first time. */
let welcomed = false
let unwatch = () => undefined
const database = new PrivateDatabase(join(DATA, 'database'))
process.on('SIGINT', () => void stop(0))
process.on('SIGTERM', () => void stop(0))
process.on('SIGHUP', () => void stop(0))

const mine = await leaveIfRunning()
try {
  await needDebian('mariadb-server', 'ffmpeg')
  await needModules()
  await (await import('./build.mjs')).build()
  await claimInTurn(DATA, 'database', { what: 'start', pid: process.pid }, () =>
    say('a backup is being made: waiting until it is done …'),
  )
  await clearAway()
  say('starting the database …')
  database.onDeath = () => void reviveDatabase()
  await database.start()
  tls = await certificateFor()
  serve(await choosePort())
} catch (error) {
  say(error.message)
  await stop(1)
}

/** What an earlier start or restore left behind when it was killed. */
async function clearAway() {
  const left = new PrivateDatabase(incoming(database.folder))
  await left.endStray()
  rmSync(left.folder, { recursive: true, force: true })
  // of earlier versions, which kept there that they run
  rmSync(join(DATA, 'run.json'), { force: true })
  if (existsSync(DATA)) keepPrivate(DATA)
}

/** Key and certificate where it serves a network; none for this machine alone. */
async function certificateFor() {
  if (!lan) return null
  const { certificate, given } = await import('./lib/certificate.mjs')
  if (after('--cert') || after('--key')) return given(after('--key'), after('--cert'))
  return certificate(join(DATA, 'tls'))
}

/** Where an instance of these data runs already, says so and ends. @returns what others are told of this one */
async function leaveIfRunning() {
  const claimed = await claim(DATA, 'data', { what: 'start', pid: process.pid })
  if (claimed.claimed) return claimed.about
  const { what, address } = claimed.holder
  if (what === 'restore') giveUp('A backup is being restored just now: start again when that is done.')
  say(address ? `already running at ${address}` : 'already starting in another terminal.')
  process.exit(0)
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

/** Runs the server; a server that dies by itself is started again, and one whose port went to somebody else gets another. */
function serve(port) {
  server = fork(join(SERVER_DIST, 'main.js'), [], {
    execArgv: [...SERVING, '--enable-source-maps'],
    env: {
      ...process.env,
      NODE_ENV: 'production',
      ...database.environment,
      RUDLO_PORT: String(port),
      RUDLO_DEMO: empty ? '0' : '1',
      RUDLO_WEB: WEB_DIST,
      ...(tls ? { RUDLO_LAN: '1', RUDLO_TLS_KEY: tls.key, RUDLO_TLS_CERT: tls.cert } : {}),
      RUDLO_LOG: join(DATA, 'server.log'),
      RUDLO_UPLOADS: join(DATA, 'uploads'),
    },
  })
  const started = Date.now()
  server.on('message', (message) => {
    if (message.step) say(`${message.step} …`)
    if (message.failed && message.code !== 'EADDRINUSE') say(message.failed)
    if (message.ready) {
      mine.address = `${tls ? 'https' : 'http'}://localhost:${message.port}`
      unwatch = watchOver(server, database, () => {
        say('the server does not answer any more; starting it again …')
        server.kill('SIGKILL')
      })
      if (!welcomed) void welcome(message)
      welcomed = true
    }
  })
  server.on('exit', (code) => {
    unwatch()
    if (stopping) return
    if (!welcomed && code === PORT_TAKEN) return void anotherPort()
    if (!welcomed && Date.now() - started < 60_000 && code === 1) return void stop(1)
    say('the server ended by itself; starting it again …')
    setTimeout(() => stopping || serve(port), 1000)
  })
}

/** Between looking for a port and listening on it somebody else may have taken it. */
async function anotherPort() {
  try {
    const port = await choosePort()
    if (!stopping) serve(port)
  } catch (error) {
    say(error.message)
    await stop(1)
  }
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
    lines.push('  students  ines, tobin, wilma, oskar, petra, jonas, ayla, rune, bea, milan (Thursday)')
    lines.push('            alma, bruno, cosima, dario, edda, fynn, greta, hanno, imke, joris, … (Monday)')
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
  unwatch()
  if (server && server.exitCode === null && server.signalCode === null) {
    const gone = new Promise((resolve) => server.once('exit', resolve))
    server.kill('SIGTERM')
    await Promise.race([gone, wait(11_000)])
  }
  await database.stop()
  process.exit(code)
}
