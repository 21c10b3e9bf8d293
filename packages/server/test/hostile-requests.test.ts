import { request } from 'node:http'
import { serve } from '@hono/node-server'
import { point } from '@rudlo/core/envelope'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { type Client, type Refused } from './client'
import { openWork, saveOf } from './story'
import { makeWorld, REED, type World } from './world'

let world: World
let anna: Client
let teacher: Client
beforeAll(async () => {
  world = await makeWorld()
  ;[anna, teacher] = await Promise.all([world.as('anna'), world.as('teacher')])
})
afterAll(() => world.close())

describe('a request', () => {
  it.each([
    ['/api/works/%E0%A4%A', 404],
    ['/api/works/%ff%fe', 404],
    ['/api/works/gr%C3%BCn', 404],
    ['/api/works/..%2f..%2f', 404],
    ['/assets/%E0%A4%A', 404],
    [`/api/works/${'a'.repeat(3000)}`, 404],
    ["/api/assignments/' OR '1'='1", 404],
    ['/api/happenings?after=%E0%A4%A', 400],
  ])('for %.60s is answered with %i', async (path, status) => {
    expect((await anna.get(path)).status).toBe(status)
  })

  it.each([
    ['an id that is no id', { group: 'grün', songVersion: 'x' }],
    ['a date beyond all', { dueAt: '+275760-09-13T00:00:00Z' }],
    ['a date that is none', { dueAt: '2026-W53-9' }],
    ['a year before anybody', { opensAt: '0001-01-01' }],
  ])('with %s is refused with 400', async (_, wrong) => {
    const body = {
      title: 'T',
      brief: { ...(await teacher.get<{ brief: object }>(`/api/assignments/${world.assignment}`)).body.brief },
      modelHeard: 'never',
      opensAt: null,
      dueAt: null,
      handInLimit: null,
      group: world.group,
      songVersion: world.songVersion,
      startingMix: world.mix,
      ...wrong,
    }
    expect((await teacher.post('/api/assignments', body)).status).toBe(400)
  })

  it('that is nested too deep, or long beyond its list, is refused before it is looked at', async () => {
    const work = await openWork(world, anna)
    const path = `/api/works/${work.id}`
    const deep = `{"revision":1,"save":"12345678","commands":[],"patch":${'['.repeat(100_000)}${']'.repeat(100_000)}}`
    const long = (n: number) => ({
      ...saveOf(work.revision, []),
      commands: Array.from({ length: n }, () => ({})),
    })
    for (const [body, sentence] of [
      [deep, /nested too deep/],
      [long(100_000), /At most 500 commands/],
      [
        {
          ...saveOf(work.revision, []),
          patch: Array.from({ length: 50_000 }, () => ({ op: 'copy', from: '/mix', path: '/notes/0' })),
        },
        /too many changes/,
      ],
      [
        { ...saveOf(work.revision, []), patch: [{ op: 'copy', from: '/mix', path: '/notes/0' }] },
        /cannot be made/,
      ],
    ] as const) {
      const began = performance.now()
      const answer = await anna.call<Refused>('PATCH', path, body)
      expect(answer.status).toBe(400)
      expect(answer.body.error.message).toMatch(sentence)
      expect(performance.now() - began).toBeLessThan(2000)
    }
  })

  it('for a host that is not this installation’s is refused', async () => {
    for (const host of [
      'evil.example',
      'localhost.evil.example',
      'localhost:80@evil.example',
      '127.0.0.2',
      '',
    ]) {
      const answer = await anna.get<Refused>('/api/health', { host })
      expect([answer.status, answer.body.error.code], host).toEqual([421, 'other-host'])
    }
    for (const host of ['localhost', 'LOCALHOST:8321', '127.0.0.1:1', '[::1]:8321'])
      expect((await anna.get('/api/health', { host })).status, host).toBe(200)
  })

  it('tells when something was done by how long ago it was, whatever the clock of the machine says', async () => {
    const work = await openWork(world, await world.as('ben'))
    const wrong = Date.UTC(2001, 4, 5)
    const command = {
      ...saveOf(1, []).commands[0]!,
      lanes: [REED],
      at: new Date(wrong - 60_000).toISOString(),
    }
    const ben = await world.as('ben')
    const { status } = await ben.patch(`/api/works/${work.id}`, {
      ...saveOf(work.revision, [point(0, -4)]),
      commands: [command],
      now: new Date(wrong).toISOString(),
    })
    expect(status).toBe(200)
    const [last]: { at: Date }[] = await world.database.query(
      'SELECT at FROM work_commands WHERE work_id = ? ORDER BY revision DESC, number DESC LIMIT 1',
      [work.id],
    )
    expect(Math.abs(Date.now() - 60_000 - Number(last!.at))).toBeLessThan(5000)
  })
})

describe('a body without end', () => {
  it('is cut at the limit while it comes in, whoever sends it, and harms nobody', async () => {
    const server = serve({ fetch: world.app.fetch, port: 0, hostname: '127.0.0.1' })
    await new Promise((resolve) => server.once('listening', resolve))
    const { port } = server.address() as { port: number }
    const piece = Buffer.alloc(256 * 1024, 0x20)
    const before = process.memoryUsage().arrayBuffers
    let most = 0
    /** Sends 400 MB in pieces as fast as they are taken. @returns how much was, and what was answered */
    const flood = (path: string) =>
      new Promise<{ sent: number; status: number }>((resolve) => {
        let sent = 0
        let status = 0
        const out = request({ port, path, method: 'POST', headers: { host: 'localhost' } }, (answer) => {
          status = answer.statusCode!
          answer.resume()
        })
        const done = () => {
          out.destroy()
          resolve({ sent, status })
        }
        out.on('error', done).on('close', done)
        const more = () => {
          most = Math.max(most, process.memoryUsage().arrayBuffers - before)
          while (sent < 400e6 && !out.destroyed) {
            sent += piece.length
            if (!out.write(piece)) return void out.once('drain', more)
          }
          out.end()
        }
        more()
      })
    for (const path of ['/api/session', '/api/join', '/api/nothing', `/api/hand-ins/x/take-back`]) {
      const { sent, status } = await flood(path)
      expect(sent, path).toBeLessThan(100e6)
      expect([0, 401, 404, 413], path).toContain(status)
    }
    expect(most).toBeLessThan(100e6)
    expect((await fetch(`http://localhost:${port}/api/health`)).status).toBe(200)
    await new Promise((resolve) => server.close(resolve))
  })
})

describe('a piece of a file', () => {
  it('that is longer than its place is refused with a sentence, nothing of it counts, and the connection goes on', async () => {
    const server = serve({ fetch: world.app.fetch, port: 0, hostname: '127.0.0.1' })
    await new Promise((resolve) => server.once('listening', resolve))
    const { port } = server.address() as { port: number }
    // a multiple of what is written at a time
    const bytes = 1024 * 1024
    const { body: upload } = await teacher.post<{ id: string }>('/api/uploads', { name: 'a.wav', bytes })
    const path = `http://localhost:${port}/api/uploads/${upload.id}`
    const headers = { cookie: teacher.cookie }
    const send = (length: number) =>
      fetch(`${path}/chunks/0`, { method: 'POST', headers, body: new Uint8Array(length) })
    for (const length of [bytes + 1, 3 * bytes, bytes + 1]) {
      const refused = await send(length)
      expect([refused.status, ((await refused.json()) as Refused).error.code]).toEqual([400, 'bad-input'])
      expect(await (await fetch(path, { headers })).json()).toEqual({ chunks: 0, bytes: 0 })
    }
    expect((await send(bytes)).status).toBe(204)
    expect(await (await fetch(path, { headers })).json()).toEqual({ chunks: 1, bytes })
    await new Promise((resolve) => server.close(resolve))
  })
})

/** A MIDI file whose parts each hold one note for so many minutes at 120 quarters a minute. */
function midiOf(parts: number, minutes: number): Uint8Array {
  const delta = minutes * 120 * 480
  const held = [21, 14, 7, 0].map((shift, i) => ((delta >> shift) & 0x7f) | (i < 3 ? 0x80 : 0))
  const track = [0, 0x90, 60, 100, ...held, 0x80, 60, 0, 0, 0xff, 0x2f, 0]
  const chunk = [0x4d, 0x54, 0x72, 0x6b, 0, 0, 0, track.length, ...track]
  const head = [0x4d, 0x54, 0x68, 0x64, 0, 0, 0, 6, 0, 1, 0, parts, 1, 0xe0]
  return Uint8Array.from([...head, ...Array.from({ length: parts }, () => chunk).flat()])
}

describe('notes that ask for more than can be played', () => {
  const bring = (file: Uint8Array) =>
    teacher.call<Refused & { document: { tracks: unknown[] } }>(
      'POST',
      '/api/notes?name=x.mid',
      file as never,
    )

  it('are refused at once, however few bytes they are', async () => {
    const began = performance.now()
    const long = await bring(midiOf(64, 14))
    expect([long.status, long.body.error.message]).toEqual([
      400,
      expect.stringMatching(/64 parts of 14 minutes are more than can be played/),
    ])
    const endless = await bring(midiOf(2, 60))
    expect([endless.status, endless.body.error.message]).toEqual([
      400,
      expect.stringMatching(/longer than 15 minutes/),
    ])
    expect(performance.now() - began).toBeLessThan(10_000)
  })

  it('may be the same in several parts: they are kept once, and each is a track', async () => {
    const { status, body } = await bring(midiOf(6, 0.05))
    expect(status).toBe(200)
    expect(body.document.tracks).toHaveLength(6)
  })
})
