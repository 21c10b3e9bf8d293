import { spawn, type ChildProcess } from 'node:child_process'
import { EventEmitter } from 'node:events'
import {
  existsSync,
  lstatSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { afterAll, describe, expect, it, vi } from 'vitest'
import { processWith } from '../../../scripts/lib/processes.mjs'
import { watchOver } from '../../../scripts/lib/watch-over.mjs'
import { WHOLE } from '../../../scripts/lib/whole.mjs'

/** Keeps a server that is given a port from doing anything until the gate is open. */
const HELD_AT_GATE = new URL('./held-at-gate.mjs', import.meta.url).href
const script = fileURLToPath(new URL('../../../scripts/start.mjs', import.meta.url))
const data = mkdtempSync(join(tmpdir(), 'rudlo-start-'))
const running = new Set<ChildProcess>()
afterAll(async () => {
  for (const child of running) await ended(child, 'SIGTERM')
  rmSync(data, { recursive: true, force: true })
})

interface Started {
  readonly child: ChildProcess
  output(): string
  /** Comes back when a line matches, or when it has ended. */
  until(pattern: RegExp): Promise<string>
  /** Comes back when it has ended by itself, with everything it said. */
  end(): Promise<string>
}

/** `npm start -- --empty` with a data folder of its own. */
function start(env: Record<string, string> = {}): Started {
  const child = spawn(process.execPath, [script, '--empty'], {
    env: { ...process.env, RUDLO_DATA: data, ...env },
  })
  running.add(child)
  child.once('exit', () => running.delete(child))
  let text = ''
  for (const stream of [child.stdout, child.stderr])
    stream.on('data', (part: Buffer) => (text += part.toString()))
  return {
    child,
    output: () => text,
    until: (pattern) =>
      new Promise((resolve) => {
        const look = setInterval(() => {
          if (!pattern.test(text) && child.exitCode === null && child.signalCode === null) return
          clearInterval(look)
          resolve(text)
        }, 30)
      }),
    end: () => new Promise((resolve) => child.once('close', () => resolve(text))),
  }
}

function ended(child: ChildProcess, signal: NodeJS.Signals): Promise<void> {
  return new Promise((resolve) => {
    if (child.exitCode !== null || child.signalCode !== null) return resolve()
    child.once('exit', () => resolve())
    child.kill(signal)
  })
}

const addressIn = (text: string) => /http:\/\/localhost:\d+/.exec(text)?.[0]
const answers = (address: string) =>
  fetch(`${address}/api/health`).then(
    (r) => r.ok,
    () => false,
  )
/** What somebody else could read in a folder. */
function openToOthers(path: string): string[] {
  const about = lstatSync(path)
  const inside = about.isDirectory()
    ? readdirSync(path).flatMap((name) => openToOthers(join(path, name)))
    : []
  return about.mode & 0o077 ? [path, ...inside] : inside
}
/** The process of the database, as the machine knows it. */
const databasePid = () => processWith(`--datadir=${join(data, 'database/files')}`)?.pid ?? null

describe('npm start', () => {
  it('begins an empty installation, prints address and code, and says where it runs when started again', async () => {
    const first = start()
    const text = await first.until(/one-time code: {2}[0-9A-F]{10}/)
    const address = addressIn(text)!
    expect(await answers(address)).toBe(true)
    const second = start()
    expect(await second.until(/already running/)).toContain(`already running at ${address}`)
    await ended(first.child, 'SIGINT')
    expect(await answers(address)).toBe(false)
    expect(existsSync(join(data, 'database/mariadbd.pid'))).toBe(false)
    expect(openToOthers(data)).toEqual([])
  })

  it.runIf(WHOLE)('gets over a kill -9 of everything, and a run file cut off in the middle', async () => {
    const first = start()
    await first.until(/is ready/)
    const database = Number(readFileSync(join(data, 'database/mariadbd.pid'), 'utf8'))
    await ended(first.child, 'SIGKILL')
    process.kill(database, 'SIGKILL')
    writeFileSync(join(data, 'run.json'), '{"pid": 12')
    const again = start()
    const address = addressIn(await again.until(/is ready/))!
    expect(await answers(address)).toBe(true)
    await ended(again.child, 'SIGINT')
  })

  it.runIf(WHOLE)(
    'takes over a database that outlived its starter, watches over it, and starts it again',
    async () => {
      const first = start()
      await first.until(/is ready/)
      await ended(first.child, 'SIGKILL')
      const orphan = databasePid()!
      expect(orphan).not.toBeNull()
      const again = start()
      const address = addressIn(await again.until(/is ready/))!
      expect(await answers(address)).toBe(true)
      expect(databasePid()).toBe(orphan)
      process.kill(orphan, 'SIGKILL')
      await again.until(/the database ended by itself/)
      await vi.waitFor(async () => expect(await answers(address)).toBe(true), {
        timeout: 60_000,
        interval: 100,
      })
      expect(databasePid()).not.toBe(orphan)
      await ended(again.child, 'SIGINT')
      expect(databasePid()).toBeNull()
    },
  )

  it.runIf(WHOLE)('obeys PORT, and says so where that is taken', async () => {
    const taken = createServer()
    const port = await new Promise<number>((resolve) =>
      taken.listen(0, '127.0.0.1', () => resolve((taken.address() as { port: number }).port)),
    )
    const refused = start({ PORT: String(port) })
    expect(await refused.end()).toContain(`Port ${port} is in use.`)
    await new Promise((resolve) => taken.close(resolve))
    expect(await start({ PORT: 'many' }).end()).toContain('PORT=many is no port.')
    const obeyed = start({ PORT: String(port) })
    expect(addressIn(await obeyed.until(/is ready/))).toBe(`http://localhost:${port}`)
    await ended(obeyed.child, 'SIGINT')
  })

  it.runIf(WHOLE)('takes another port where somebody was faster, and says where it runs', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'rudlo-start-'))
    const gate = mkdtempSync(join(tmpdir(), 'rudlo-gate-'))
    const begun = start({ RUDLO_DATA: folder, RUDLO_GATE: gate, NODE_OPTIONS: `--import=${HELD_AT_GATE}` })
    // the port was looked at, and the server waits at the gate before it does anything
    await vi.waitFor(() => expect(existsSync(join(gate, 'port'))).toBe(true), { timeout: 120_000 })
    const port = Number(readFileSync(join(gate, 'port'), 'utf8'))
    const faster = createServer()
    await new Promise<void>((resolve, reject) =>
      faster.once('error', reject).listen(port, '127.0.0.1', () => resolve()),
    )
    writeFileSync(join(gate, 'open'), '')
    const address = addressIn(await begun.until(/is ready/))!
    expect(address).not.toBe(`http://localhost:${port}`)
    expect(await answers(address)).toBe(true)
    await new Promise((resolve) => faster.close(resolve))
    await ended(begun.child, 'SIGINT')
    rmSync(folder, { recursive: true })
    rmSync(gate, { recursive: true })
  })

  const inDatabase = (name: string) => join(data, 'database', name)

  it('never empties data, whatever markers are missing', async () => {
    const first = start()
    const text = await first.until(/one-time code: {2}[0-9A-F]{10}/)
    const code = /code: {2}([0-9A-F]{10})/.exec(text)![1]!
    const address = addressIn(text)!
    const made = await fetch(`${address}/api/first-teacher`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ code, name: 'Ada', signIn: 'ada', password: 'quiet harbour' }),
    })
    expect(made.status).toBe(200)
    await ended(first.child, 'SIGINT')
    for (const name of ['password', 'files/ready', 'mariadbd.log']) rmSync(inDatabase(name), { force: true })
    // of a start and a restore that were killed
    for (const name of ['files.part', 'incoming/files']) mkdirSync(inDatabase(name), { recursive: true })
    const again = start()
    const later = addressIn(await again.until(/is ready/))!
    const signedIn = await fetch(`${later}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ signIn: 'ada', password: 'quiet harbour' }),
    })
    expect(signedIn.status).toBe(200)
    expect(existsSync(inDatabase('incoming'))).toBe(false)
    await ended(again.child, 'SIGINT')
  })
})

describe('a server that hangs', () => {
  /** A server that answers as it is told. */
  function pretended(answer: (told: (message: object) => void) => void) {
    const server = new EventEmitter()
    return Object.assign(server, {
      connected: true,
      send: () => answer((message) => server.emit('message', message)),
    })
  }
  const times = { askMs: 10, patienceMs: 120 }
  const rest = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))

  it('is noticed where nothing comes back though the database answers', async () => {
    const hung = vi.fn()
    watchOver(
      pretended(() => undefined),
      { answers: async () => true },
      hung,
      times,
    )
    await vi.waitFor(() => expect(hung).toHaveBeenCalledOnce(), 2000)
    await rest(200)
    expect(hung).toHaveBeenCalledOnce()
  })

  it('is not to blame for a database that is away, and is left alone while it answers', async () => {
    const hung = vi.fn()
    const ends = [
      watchOver(
        pretended(() => undefined),
        { answers: async () => false },
        hung,
        times,
      ),
      watchOver(
        pretended((tell) => tell({ pong: 1 })),
        { answers: async () => true },
        hung,
        times,
      ),
    ]
    await rest(500)
    expect(hung).not.toHaveBeenCalled()
    for (const end of ends) end()
  })
})
