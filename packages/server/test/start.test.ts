import { spawn, type ChildProcess } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { afterAll, describe, expect, it } from 'vitest'

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
const databaseRuns = () =>
  existsSync(`/proc/${readFileSync(join(data, 'database/mariadbd.pid'), 'utf8').trim()}`)

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
    expect(existsSync(join(data, 'run.json'))).toBe(false)
  })

  it('gets over a kill -9 of everything, and a run file cut off in the middle', async () => {
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

  it('takes over a database that outlived its starter', async () => {
    const first = start()
    await first.until(/is ready/)
    await ended(first.child, 'SIGKILL')
    expect(databaseRuns()).toBe(true)
    const again = start()
    expect(await answers(addressIn(await again.until(/is ready/))!)).toBe(true)
    await ended(again.child, 'SIGINT')
    expect(existsSync(join(data, 'database/mariadbd.pid'))).toBe(false)
  })

  it('obeys PORT, and says so where that is taken', async () => {
    const taken = createServer()
    const port = await new Promise<number>((resolve) =>
      taken.listen(0, '127.0.0.1', () => resolve((taken.address() as { port: number }).port)),
    )
    const refused = start({ PORT: String(port) })
    expect(await refused.until(/in use/)).toContain(`Port ${port} is in use.`)
    await new Promise((resolve) => taken.close(resolve))
    const nonsense = start({ PORT: 'many' })
    expect(await nonsense.until(/no port/)).toContain('PORT=many is no port.')
    const obeyed = start({ PORT: String(port) })
    expect(addressIn(await obeyed.until(/is ready/))).toBe(`http://localhost:${port}`)
    await ended(obeyed.child, 'SIGINT')
  })
})
