import { randomUUID } from 'node:crypto'
import { Hono } from 'hono'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { Person } from '../src/people/entities'
import { Client, type Refused } from './client'
import { makeWorld, PASSWORD, type World } from './world'

let world: World
let anna: Client
let teacher: Client
beforeAll(async () => {
  world = await makeWorld()
  ;[anna, teacher] = await Promise.all([world.as('anna'), world.as('teacher')])
})
afterAll(() => world.close())

describe('sessions', () => {
  it('know whose they are with everything that is known of a person', async () => {
    const anna = await world.as('anna')
    const asked = new Hono().get('/', async (c) => c.json(await world.services.sessions.person(c)))
    const found: unknown = await (await asked.request('/', { headers: { cookie: anna.cookie } })).json()
    const kept = await world.database.getRepository(Person).findOneByOrFail({ id: world.anna })
    expect(found).toEqual({ ...kept })
  })

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
  })
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
