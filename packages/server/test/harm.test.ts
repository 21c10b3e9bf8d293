import { randomUUID } from 'node:crypto'
import { request } from 'node:http'
import { serve } from '@hono/node-server'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { point } from '@rudlo/core/envelope'
import { GuardedDataSource, PoolBusy } from '../src/database/guarded-source'
import { POOL_SIZE } from '../src/database/data-source'
import { HandIn } from '../src/handins/hand-in.entity'
import { Client, type Refused } from './client'
import { handedIn, openWork, saveOf, type HandInAnswer } from './story'
import { makeWorld, PASSWORD, REED, type World } from './world'

let world: World
let anna: Client
let teacher: Client
beforeAll(async () => {
  world = await makeWorld()
  ;[anna, teacher] = await Promise.all([world.as('anna'), world.as('teacher')])
})
afterAll(() => world.close())

describe('connections to the database', () => {
  it('are one for a transaction: a second one is refused, in every test, before it could be waited for', async () => {
    const { database } = world
    await expect(database.transaction(async () => database.query('SELECT 1'))).rejects.toThrow(
      'A transaction asked for another connection.',
    )
    const within = await database.transaction((manager) => manager.query('SELECT 2 AS n'))
    expect(within).toEqual([{ n: 2 }])
  })

  it('are waited for no longer than can be borne', async () => {
    const source = await new GuardedDataSource(
      { ...world.database.options, poolSize: 2 } as never,
      200,
    ).initialize()
    let go = () => undefined as void
    const gate = new Promise<void>((resolve) => (go = resolve))
    let holding = 0
    const held = [1, 2].map(() =>
      source.transaction(() => {
        holding++
        return gate
      }),
    )
    await vi.waitFor(() => expect(holding).toBe(2))
    await expect(source.query('SELECT 1')).rejects.toBeInstanceOf(PoolBusy)
    go()
    await Promise.all(held)
    // whoever came too late for it has taken nothing away
    expect(await Promise.all([1, 2, 3, 4].map(() => source.query('SELECT 1')))).toHaveLength(4)
    await source.destroy()
  })
})

describe('many hand-ins at once', () => {
  it('are all taken and measured, more than there are connections', async () => {
    const { body } = await teacher.post<{ cards: { signIn: string; password: string }[] }>(
      `/api/groups/${world.group}/roster`,
      {
        text: Array.from({ length: 2 * POOL_SIZE }, (_, i) => `Crowd Member ${i}`).join('\n'),
        preview: false,
      },
    )
    const desks = await Promise.all(
      body.cards.map(async ({ signIn, password }) => {
        const client = new Client(world.app)
        await client.post('/api/session', { signIn, password })
        await client.put('/api/session/password', { password: PASSWORD })
        const work = await openWork(world, client)
        await client.patch(`/api/works/${work.id}`, saveOf(1, [point(0, -90), point(1920, 0)]))
        return { client, work: work.id }
      }),
    )
    const made = await Promise.all(
      desks.map(({ client, work }) =>
        client.post<HandInAnswer>(`/api/works/${work}/hand-ins`, { revision: 2 }),
      ),
    )
    expect(made.map((m) => m.status)).toEqual(desks.map(() => 200))
    await world.services.measuring.settled()
    const states = await world.database
      .getRepository(HandIn)
      .find({ select: { id: true, state: true, measurement: true } })
    expect(states).toHaveLength(desks.length)
    for (const { state, measurement } of states)
      expect([state, measurement === null]).toEqual(['waiting', false])
  }, 120_000)
})

describe('a hand-in that cannot be measured', () => {
  it('is tried again with pauses, then it has failed for a reason, can be looked at, and measured again', async () => {
    const other = await makeWorld({ pauses: [10, 20] })
    const student = await other.as('anna')
    const reviewer = await other.as('teacher')
    // its recording is gone from the disk
    await other.database.query('UPDATE asset_chunks SET data = SUBSTR(data, 1, 200)')
    const { handIn, work } = await handedIn(other, student, [point(0, -90), point(1920, 0)])
    const read = async () =>
      (await reviewer.get<HandInAnswer & { measureProblem: string | null }>(`/api/hand-ins/${handIn.id}`))
        .body
    for (let i = 0; i < 100 && (await read()).state === 'measuring'; i++)
      await new Promise((r) => setTimeout(r, 50))
    expect(await read()).toMatchObject({ state: 'waiting', measurement: null, measureProblem: 'audio' })
    expect(other.log.filter((l) => l.includes('measuring a hand-in failed'))).toHaveLength(3)
    // a student is told nothing of it, and it can be given back
    const mine = await student.get<Record<string, unknown>[]>(`/api/works/${work}/hand-ins`)
    expect(mine.body[0]).toMatchObject({ state: 'waiting', measureProblem: null })
    const queue = await reviewer.get<{ measureProblem: string }[]>(
      `/api/assignments/${other.assignment}/hand-ins`,
    )
    expect(queue.body[0]!.measureProblem).toBe('audio')
    // the recording is there again
    const [whole] = await world.database.query('SELECT data FROM asset_chunks LIMIT 1')
    await other.database.query('UPDATE asset_chunks SET data = ?', [(whole as { data: Buffer }).data])
    expect((await reviewer.post(`/api/hand-ins/${handIn.id}/measure`)).status).toBe(204)
    await other.services.measuring.settled()
    expect(await read()).toMatchObject({
      state: 'waiting',
      measureProblem: null,
      measurement: expect.anything(),
    })
    await other.close()
  }, 60_000)

  it('is taken up by whoever finds it, once nobody has it any more', async () => {
    const { handIn } = await handedIn(world, await world.as('ben'), [point(0, -90), point(1920, -3)])
    await world.database
      .getRepository(HandIn)
      .update(handIn.id, { measurement: null, assessment: null, state: 'measuring', measureAt: new Date(0) })
    await world.services.measuring.resume()
    await world.services.measuring.settled()
    const found = await world.database.getRepository(HandIn).findOneByOrFail({ id: handIn.id })
    expect([found.state, found.measureAt, found.measurement === null]).toEqual(['waiting', null, false])
  })

  it('keeps the figures of the newest brief, also where it is changed while it is being measured', async () => {
    const { handIn } = await handedIn(world, anna, [point(0, -90), point(1920, -1)])
    const repository = world.database.getRepository(HandIn)
    const { brief } = await repository.findOneByOrFail({ id: handIn.id })
    await repository.update(handIn.id, { assessment: null })
    world.services.measuring.add(handIn.id)
    const changed = JSON.parse(brief!) as { tasks: { id: string; checks: unknown[] }[] }
    changed.tasks[0]!.id = 'renamed'
    await repository.update(handIn.id, { brief: JSON.stringify(changed) })
    await world.services.measuring.settled()
    const now = await repository.findOneByOrFail({ id: handIn.id })
    expect((JSON.parse(now.assessment!) as { tasks: { task: string }[] }).tasks.map((t) => t.task)).toEqual([
      'renamed',
    ])
  })
})

describe('what nothing refers to', () => {
  it('goes after a day: files on their way, and audio of no song; the rest stays', async () => {
    const { database, services } = world
    const old = await teacher.post<{ id: string }>('/api/uploads', { name: 'old.wav', bytes: 4 })
    await teacher.raw('POST', `/api/uploads/${old.body.id}/chunks/0`, {}, new Uint8Array(4))
    const fresh = await teacher.post<{ id: string }>('/api/uploads', { name: 'new.wav', bytes: 4 })
    const left = await services.assets.keep([Int16Array.from({ length: 500 }, (_, n) => n)])
    const young = await services.assets.keep([Int16Array.from({ length: 500 }, (_, n) => -n)])
    const day = new Date(Date.now() - 25 * 3_600_000)
    await database.query('UPDATE uploads SET created_at = ? WHERE id = ?', [day, old.body.id])
    await database.query('UPDATE assets SET created_at = ? WHERE id <> ?', [day, young])
    expect(await services.housekeeping.sweep()).toEqual({ uploads: 1, assets: 1 })
    expect(await database.query('SELECT COUNT(*) AS n FROM upload_chunks')).toEqual([{ n: '0' }])
    expect((await teacher.get(`/api/uploads/${fresh.body.id}`)).status).toBe(200)
    expect(await services.assets.find(left)).toBeNull()
    expect(await services.assets.find(young)).not.toBeNull()
    expect(await services.assets.find(world.song.assets[0]!.id)).not.toBeNull()
    // brought in again, it counts as new
    await database.query('UPDATE assets SET created_at = ? WHERE id = ?', [day, young])
    await services.assets.keep([Int16Array.from({ length: 500 }, (_, n) => -n)])
    expect(await services.housekeeping.sweep()).toEqual({ uploads: 0, assets: 0 })
  })

  it('may be brought in twice at once: it is kept once', async () => {
    const sound = () => [Int16Array.from({ length: 9000 }, (_, n) => (n * 37) % 500)]
    const ids = await Promise.all(Array.from({ length: 6 }, () => world.services.assets.keep(sound())))
    expect(new Set(ids).size).toBe(1)
    const { body } = await teacher.post<{ id: string }>('/api/uploads', { name: 'twice.wav', bytes: 4 })
    const pieces = await Promise.all(
      Array.from({ length: 6 }, () =>
        teacher.raw('POST', `/api/uploads/${body.id}/chunks/0`, {}, new Uint8Array(4)),
      ),
    )
    expect(pieces.map((p) => p.status)).toEqual(pieces.map(() => 204))
  })
})

describe('a song', () => {
  it('is changed by its own teachers alone; others keep it as one of theirs', async () => {
    const other = await world.as('otherTeacher')
    const { body: mine } = await teacher.post<{ song: string }>('/api/songs', {
      document: { ...world.song, title: 'Mine' },
    })
    const changed = { document: { ...world.song, title: 'Changed' } }
    const refused = await other.put<Refused>(`/api/songs/${mine.song}`, changed)
    expect([refused.status, refused.body.error.code]).toEqual([403, 'not-yours'])
    const list = async (client: Client) =>
      (await client.get<{ song: string; mine: boolean }[]>('/api/songs')).body.find(
        (s) => s.song === mine.song,
      )
    expect([(await list(teacher))?.mine, (await list(other))?.mine]).toEqual([true, false])
    expect((await other.post('/api/songs', changed)).status).toBe(200)
    expect((await teacher.put(`/api/songs/${mine.song}`, changed)).status).toBe(200)
    // who teaches a class together with its maker may as well
    await teacher.post(`/api/groups/${world.group}/teachers`, { signIn: 'otherteacher' })
    expect(
      (await other.put(`/api/songs/${mine.song}`, { document: { ...world.song, title: 'Ours' } })).status,
    ).toBe(200)
    expect((await other.put(`/api/songs/${randomUUID()}`, changed)).status).toBe(404)
  })
})

describe('hints', () => {
  it('open after the tries that were asked for, counted here', async () => {
    const settings = (
      await teacher.get<{ settings: { revision: number }; brief: object }>(
        `/api/assignments/${world.assignment}`,
      )
    ).body
    await teacher.put(`/api/assignments/${world.assignment}`, {
      title: 'A fade',
      brief: { ...settings.brief, hintsAfter: 2 },
      modelHeard: 'never',
      opensAt: null,
      dueAt: null,
      handInLimit: null,
      revision: settings.settings.revision,
    })
    const ben = await world.as('ben')
    const { id } = await openWork(world, ben)
    const open = (level: number) =>
      ben.post<Refused & { text: string }>(`/api/works/${id}/hints`, { task: 'in', level })
    expect((await open(0)).body.error.message).toBe('Try it yourself first: hints open after 2 more tries.')
    await ben.post(`/api/works/${id}/asked`, { task: 'in' })
    expect((await open(0)).body.error.message).toMatch(/after 1 more try/)
    await ben.post(`/api/works/${id}/asked`, { task: 'in' })
    expect((await ben.get(`/api/works/${id}/asked`)).body).toEqual([{ task: 'in', tries: 2 }])
    expect((await open(0)).status).toBe(200)
    expect((await ben.post(`/api/works/${id}/asked`, { task: 'nothing' })).status).toBe(404)
  })
})

describe('sessions', () => {
  it('are listed for their owner, and ended by them, open lines and all', async () => {
    const first = await world.as('cleo')
    const second = await world.as('cleo')
    const agent = 'Mozilla/5.0 (X11; CrOS x86_64) AppleWebKit/537.36 Chrome/156.0 Safari/537.36'
    const third = new Client(world.app)
    await third.post('/api/session', { signIn: 'cleo', password: PASSWORD }, { 'user-agent': agent })
    const list = await first.get<{ id: string; device: string; here: boolean }[]>('/api/sessions')
    expect(list.body.map((s) => s.here).filter(Boolean)).toHaveLength(1)
    expect(list.body.map((s) => s.device)).toContain('Chrome, ChromeOS')
    expect(JSON.stringify(list.body)).not.toContain(agent)
    const theirs = (await second.get<{ id: string; here: boolean }[]>('/api/sessions')).body.find(
      (s) => s.here,
    )!
    // nobody else can
    expect((await anna.delete(`/api/sessions/${theirs.id}`)).status).toBe(404)
    const line = await second.raw('GET', '/api/happenings/live')
    const over = (async () => {
      for await (const _ of line.body!) void _
      return 'over'
    })()
    expect((await first.delete(`/api/sessions/${theirs.id}`)).status).toBe(204)
    const later = new Promise((resolve) => setTimeout(() => resolve('open'), 3000))
    expect(await Promise.race([over, later])).toBe('over')
    expect((await second.get('/api/assignments')).status).toBe(401)
    expect((await first.get('/api/assignments')).status).toBe(200)
  })

  it.each(['sign-out', 'a new password from the teacher', 'an own new password'])(
    'that end by %s end their open lines at once, and no other',
    async (how) => {
      const { body } = await teacher.post<{ cards: { signIn: string; password: string }[] }>(
        `/api/groups/${world.group}/roster`,
        { text: `Line ${how.replaceAll(' ', '')}`, preview: false },
      )
      const { signIn, password } = body.cards[0]!
      const here = new Client(world.app)
      const { body: person } = await here.post<{ id: string }>('/api/session', { signIn, password })
      await here.put('/api/session/password', { password: PASSWORD })
      const lines = await Promise.all([here, anna].map((c) => c.raw('GET', '/api/happenings/live')))
      const ends = lines.map(async (line) => {
        for await (const _ of line.body!) void _
        return 'over'
      })
      if (how === 'sign-out') await here.delete('/api/session')
      else if (how.startsWith('a new')) await teacher.post(`/api/people/${person.id}/password`)
      else await here.put('/api/session/password', { now: PASSWORD, password: 'another one here' })
      const after = (ms: number) => new Promise((resolve) => setTimeout(() => resolve('open'), ms))
      expect(await Promise.race([ends[0], after(3000)])).toBe('over')
      expect(await Promise.race([ends[1], after(300)])).toBe('open')
      await lines[1]!.body!.cancel().catch(() => undefined)
    },
  )
})

describe('passwords', () => {
  it.each([
    ['Password1', /commonest/],
    ['iloveyou', /commonest/],
    ['          ', /spaces/],
    ['aaaaaaaaaaaa', /too easy/],
    ['Ole Olsen', /Your name/],
    ['ole.olsen99', /Your name/],
    ['oleolsenoleolsen', /Your name/],
  ])('%j is refused with a reason', async (password, reason) => {
    const code = world.group.slice(0, 8)
    const { status, body } = await new Client(world.app).post<Refused>('/api/join', {
      code,
      name: 'Ole Olsen',
      signIn: 'ole.olsen',
      password,
    })
    expect(status).toBe(400)
    expect(body.error.message).toMatch(reason)
  })
})

describe('joining', () => {
  it('cannot be flooded: who asks in earnest comes in, and nobody’s name is taken by asking', async () => {
    const { body: made } = await teacher.post<{ id: string }>('/api/groups', { name: 'Flooded', place: '' })
    const path = `/api/groups/${made.id}`
    type Group = { joinCode: string; requests: { id: string; name: string; signIn: string }[] }
    const { joinCode: code } = (await teacher.get<Group>(path)).body
    const rows = Array.from({ length: 500 }, (_, i) => [
      randomUUID(),
      made.id,
      `Flood ${i}`,
      'real.one',
      'x',
      new Date(Date.now() - 60_000 + i),
      'f'.repeat(64),
    ])
    await world.database.query(
      `INSERT INTO join_requests (id, group_id, name, sign_in, password_hash, created_at, asked_from) VALUES ${rows.map(() => '(?,?,?,?,?,?,?)').join(',')}`,
      rows.flat(),
    )
    const real = await new Client(world.app, '10.3.0.1').post('/api/join', {
      code,
      name: 'Real One',
      signIn: 'real.one',
      password: 'long enough',
    })
    expect(real.status).toBe(200)
    const { requests } = (await teacher.get<Group>(path)).body
    expect(requests).toHaveLength(500)
    expect(requests.map((r) => r.name)).toContain('Real One')
    // one of the flood was let in first by mistake: the real one gets another name, and is told
    const flood = requests.find((r) => r.name.startsWith('Flood'))!
    await teacher.post(`${path}/requests`, { requests: [flood.id], accept: true })
    const wanted = requests.find((r) => r.name === 'Real One')!
    const said = await teacher.post<{ renamed: object[] }>(`${path}/requests`, {
      requests: [wanted.id],
      accept: true,
    })
    expect(said.body.renamed).toEqual([{ name: 'Real One', asked: 'real.one', signIn: 'real.one2' }])
    const rest = requests.filter((r) => r !== flood && r !== wanted).map((r) => r.id)
    expect((await teacher.post(`${path}/requests`, { requests: rest, accept: false })).status).toBe(200)
    expect((await teacher.get<Group>(path)).body.requests).toEqual([])
  }, 30_000)
})

describe('a teacher who was taken out of the last class', () => {
  it('can do nothing that needs one, until taken in again', async () => {
    const { body: group } = await teacher.post<{ id: string }>('/api/groups', { name: 'Brief', place: '' })
    const { body } = await teacher.post<{ cards: { signIn: string; password: string }[] }>(
      `/api/groups/${group.id}/teachers`,
      { signIn: 'leaver', name: 'Leaving Teacher' },
    )
    const leaver = new Client(world.app)
    const card = body.cards[0]!
    const { body: person } = await leaver.post<{ id: string }>('/api/session', {
      signIn: 'leaver',
      password: card.password,
    })
    await leaver.put('/api/session/password', { password: PASSWORD })
    expect((await leaver.get('/api/songs')).status).toBe(200)
    await teacher.delete(`/api/groups/${group.id}/members/${person.id}`)
    expect((await leaver.get('/api/songs')).status).toBe(401)
    await leaver.post('/api/session', { signIn: 'leaver', password: PASSWORD })
    expect((await leaver.get('/api/session')).body).toMatchObject({ person: { isOut: true, classes: 0 } })
    for (const path of ['/api/songs', '/api/groups', '/api/bank', `/api/assets/${world.song.assets[0]!.id}`])
      expect((await leaver.get(path)).status, path).toBe(404)
    expect((await leaver.post('/api/groups', { name: 'Own', place: '' })).status).toBe(404)
    expect((await leaver.post('/api/uploads', { name: 'a.wav', bytes: 4 })).status).toBe(404)
    await teacher.post(`/api/groups/${group.id}/teachers`, { signIn: 'leaver' })
    expect((await leaver.get('/api/songs')).status).toBe(200)
  })
})

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
  }, 60_000)
})
