import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { logFile } from '../src/http/log'
import { makeWorld, type World } from './world'

let world: World
beforeAll(async () => void (world = await makeWorld()))
afterAll(() => world.close())

const TAKEN = { 'accept-encoding': 'gzip, deflate, br' }

it('short answers come as they are, with their length in bytes; long ones come packed', async () => {
  const anna = await world.as('anna')
  const short = await anna.raw('GET', '/api/session', TAKEN)
  expect(short.headers.get('content-encoding')).toBeNull()
  const { byteLength } = await short.arrayBuffer()
  expect(short.headers.get('content-length')).toBe(String(byteLength))
  const long = await anna.raw('GET', '/api/openapi.json', TAKEN)
  expect(long.headers.get('content-encoding')).not.toBeNull()
  expect(long.headers.get('content-length')).toBeNull()
})

it('lines of the log are all written, in their order, a moment later', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'rudlo-log-'))
  const file = join(folder, 'server.log')
  try {
    const log = logFile(file)
    for (let n = 0; n < 40; n++) log.info({ n }, 'line')
    await expect
      .poll(() => {
        const lines = readFileSync(file, 'utf8').trim().split('\n').filter(Boolean)
        return lines.map((line) => (JSON.parse(line) as { n: number }).n)
      })
      .toEqual(Array.from({ length: 40 }, (_, n) => n))
    log.info({ n: 40 }, 'line')
    await expect.poll(() => readFileSync(file, 'utf8')).toContain('"n":40')
  } finally {
    rmSync(folder, { recursive: true })
  }
})
