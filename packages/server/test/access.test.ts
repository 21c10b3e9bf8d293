import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { waitAfter } from '../src/access/slow-down'
import { Session } from '../src/access/entities'
import { Person } from '../src/people/entities'
import { Client, type Refused } from './client'
import { makeWorld, PASSWORD, type World } from './world'

let world: World
beforeAll(async () => void (world = await makeWorld()))
afterAll(() => world.close())

describe('signing in', () => {
  it('gives a session in an HttpOnly, SameSite cookie that is kept in the database by its hash', async () => {
    const client = await world.as(null)
    const answer = await client.post<{ name: string }>('/api/session', {
      signIn: ' Anna ',
      password: PASSWORD,
    })
    expect(answer.body).toMatchObject({ name: 'Person anna', role: 'student' })
    expect(answer.headers.get('set-cookie')).toMatch(/HttpOnly/i)
    expect(answer.headers.get('set-cookie')).toMatch(/SameSite=Lax/i)
    expect(answer.headers.get('cache-control')).toMatch(/private/)
    const token = client.cookie.split('=')[1]!
    const kept = await world.database.getRepository(Session).find()
    expect(kept.length).toBeGreaterThan(0)
    expect(JSON.stringify(kept)).not.toContain(token)
  })

  it('ends at sign-out, on the server too', async () => {
    const client = await world.as('anna')
    const { cookie } = client
    expect((await client.delete('/api/session')).status).toBe(204)
    const thief = await world.as(null)
    expect((await thief.get('/api/assignments', { cookie })).status).toBe(401)
  })

  it('tells wrong names and wrong passwords alike, and hashes with argon2id', async () => {
    const client = await world.as(null)
    const wrong = await client.post<Refused>('/api/session', { signIn: 'ben', password: 'guess' })
    const nobody = await client.post<Refused>('/api/session', { signIn: 'nobody', password: 'guess' })
    expect([wrong.status, wrong.body]).toEqual([nobody.status, nobody.body])
    expect(wrong.status).toBe(401)
    const people = await world.database.getRepository(Person).find()
    for (const { passwordHash } of people) expect(passwordHash).toMatch(/^\$argon2id\$/)
  })

  it('slows down whoever guesses, known name or not, and no other', async () => {
    const guess = (signIn: string, address: string) =>
      new Client(world.app, address).post<Refused>('/api/session', { signIn, password: 'guess' })
    const told: unknown[] = []
    for (const [signIn, address] of [
      ['cleo', '10.0.0.1'],
      ['no.such.name', '10.0.0.2'],
    ] as const) {
      for (let i = 0; i < 5; i++) expect((await guess(signIn, address)).status).toBe(401)
      const slowed = await guess(signIn, address)
      expect(slowed.status).toBe(429)
      expect(slowed.body.error.message).toMatch(/try again in \d+ second/)
      told.push({ ...slowed.body.error, message: slowed.body.error.message.replace(/\d+/, 'n') })
    }
    expect(told[0]).toEqual(told[1])
    // even the right password waits there, and nowhere else
    const right = (address: string) =>
      new Client(world.app, address).post('/api/session', { signIn: 'cleo', password: PASSWORD })
    expect((await right('10.0.0.1')).status).toBe(429)
    expect((await right('10.0.0.3')).status).toBe(200)
  })

  it('counts a guess before it looks at it: of many at once a few are looked at', async () => {
    const begun = performance.now()
    const guesses = await Promise.all(
      Array.from({ length: 60 }, () =>
        new Client(world.app, '10.0.1.1').post('/api/session', { signIn: 'ben', password: 'guess' }),
      ),
    )
    const took = (performance.now() - begun) / 1000
    const all = (status: number) => guesses.filter((g) => g.status === status).length
    // where the machine is slow, the first waits are over before the last guess is counted: 1 s, then 2, 4 and 8
    const waited = [1, 3, 7, 15].filter((seconds) => took > seconds).length
    expect(all(401)).toBeGreaterThanOrEqual(4)
    expect(all(401)).toBeLessThanOrEqual(5 + waited)
    expect(all(401) + all(429)).toBe(60)
    // those that were told to wait were not counted
    const kept = await world.database.query('SELECT MAX(points) AS tries FROM limits WHERE `key` LIKE ?', [
      'tries:%',
    ])
    expect(Number(kept[0].tries)).toBeLessThanOrEqual(all(401) + 2)
  })

  it('lets a browser that a person has used go on, whatever a stranger guesses beside it', async () => {
    const own = new Client(world.app, '10.0.2.1')
    await own.post('/api/session', { signIn: 'anna', password: PASSWORD })
    await own.delete('/api/session')
    // a stranger at the same address, at all of the class
    const stranger = new Client(world.app, '10.0.2.1')
    for (let i = 0; i < 12; i++)
      for (const signIn of ['anna', 'ben', 'cleo'])
        await stranger.post('/api/session', { signIn, password: `${i}` })
    // a wait may be over where the machine is slow: guessing goes on until the next one has just begun
    const untilTold = async (signIn: string) => {
      while ((await stranger.post('/api/session', { signIn, password: 'guess' })).status !== 429);
    }
    await untilTold('anna')
    expect((await stranger.post('/api/session', { signIn: 'anna', password: PASSWORD })).status).toBe(429)
    expect((await own.post('/api/session', { signIn: 'anna', password: PASSWORD })).status).toBe(200)
    // who has not used it is told to wait, as everybody
    const other = own.signedOut()
    await untilTold('ben')
    expect((await other.post('/api/session', { signIn: 'ben', password: PASSWORD })).status).toBe(429)
  })

  it('waits longer each time, briefly for long, and never for ever', () => {
    expect([0, 4, 5, 6, 7, 12, 24, 100, 9999].map(waitAfter)).toEqual([0, 0, 1, 2, 4, 8, 30, 120, 120])
  })

  it('offers nobody by name outside a demo', async () => {
    const client = await world.as(null)
    expect((await client.get('/api/session')).body).toEqual({
      person: null,
      demo: [],
      needsFirstTeacher: false,
      timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
    })
    const anna = await world.database.getRepository(Person).findOneByOrFail({ signIn: 'anna' })
    expect((await client.post('/api/demo-session', { person: anna.id })).status).toBe(404)
  })

  it.each([
    [{}, /sign-in name is missing/],
    [{ signIn: 'anna' }, /password is missing/],
    [{ signIn: 'anna', password: 5 }, /password is missing/],
    [{ signIn: 'x'.repeat(61), password: 'y' }, /too long/],
    [{ signIn: 'anna', password: 'y', admin: true }, /admin/],
    ['[]', /must be a JSON object/],
    ['{', /not valid JSON/],
  ])('refuses %j with a sentence', async (body, sentence) => {
    const answer = await (await world.as(null)).post<Refused>('/api/session', body)
    expect(answer.status).toBe(400)
    expect(answer.body.error.message).toMatch(sentence)
  })
})

describe('a demo', () => {
  it('lets anybody in by a click', async () => {
    const demo = await makeWorld({ demo: true })
    const client = new Client(demo.app)
    const { body } = await client.get<{ demo: { id: string; name: string }[] }>('/api/session')
    expect(body.demo).toHaveLength(5)
    expect((await client.post('/api/demo-session', { person: body.demo[0]!.id })).status).toBe(200)
    expect((await client.get('/api/assignments')).status).toBe(200)
    await demo.close()
  })
})

describe('the first teacher', () => {
  it('comes in with the one-time code, once', async () => {
    const empty = await makeWorld()
    await empty.database.query('DELETE FROM memberships')
    await empty.database.getRepository(Person).createQueryBuilder().delete().execute()
    const client = new Client(empty.app)
    expect((await client.get('/api/session')).body).toMatchObject({ needsFirstTeacher: true })
    const code = await empty.services.installation.firstTeacherCode()
    const by = { name: 'Ada', signIn: 'ada', password: 'long enough' }
    expect((await client.post('/api/first-teacher', { ...by, code: 'AAAA' })).status).toBe(403)
    expect((await client.post('/api/first-teacher', { ...by, code, password: 'short' })).status).toBe(400)
    expect((await client.post('/api/first-teacher', { ...by, code: code.toLowerCase() })).body).toMatchObject(
      { role: 'teacher' },
    )
    expect((await client.get('/api/assignments')).body).toEqual([])
    expect(
      (await new Client(empty.app).post('/api/first-teacher', { ...by, signIn: 'eve', code })).status,
    ).toBe(403)
    await empty.close()
  })
})
