import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { createApp } from '../src/app'
import { logLines } from '../src/http/log'
import { dataSource } from '../src/database/data-source'
import { createServices, type Services } from '../src/services'
import { point } from '@rudlo/core/envelope'
import { Client, type Refused } from './client'
import { openWork, saveOf } from './story'
import { makeWorld, PASSWORD, REED, type World } from './world'
import { inject } from 'vitest'

interface InLesson {
  readonly id: string
  readonly name: string
  readonly task: string | null
  readonly helpAt: string | null
  readonly actedAt: string
  readonly shows: boolean
}

let world: World
/** A second server on the same database. */
let second: { services: Services; app: ReturnType<typeof createApp>; close(): Promise<void> }
let teacher: Client
let anna: Client
beforeAll(async () => {
  world = await makeWorld()
  const database = await dataSource({
    ...inject('connection'),
    database: String((world.database.options as { database?: unknown }).database),
  }).initialize()
  const log = logLines((line) => void world.log.push(line))
  const services = createServices(database, {
    demo: false,
    workers: new URL('../dist/', import.meta.url),
    log,
  })
  second = {
    services,
    app: createApp(services, { log }),
    close: async () => {
      await services.close()
      await database.destroy()
    },
  }
  teacher = await world.as('teacher')
  anna = new Client(second.app)
  await anna.post('/api/session', { signIn: 'anna', password: PASSWORD })
})
afterAll(async () => {
  await second.close()
  await world.close()
})

const present = (client: Client, body: object = {}) =>
  client.put(`/api/assignments/${world.assignment}/presence`, {
    task: 'in',
    acted: true,
    help: false,
    shows: false,
    ...body,
  })
const lesson = async () =>
  (await teacher.get<{ students: InLesson[] }>(`/api/groups/${world.group}/lesson`)).body.students
const find = async (id: string) => (await lesson()).find((s) => s.id === id)!

interface Told {
  readonly newest: string
  readonly happenings: readonly { readonly kind: string }[]
}
const newest = async () => (await teacher.get<Told>('/api/happenings')).body.newest
/** What the teacher was told after something that happened. */
const toldSince = async (id: string) =>
  (await teacher.get<Told>(`/api/happenings?after=${id}`)).body.happenings.map((h) => h.kind)

describe('a lesson across two servers', () => {
  it('shows who is in, on which task, and who has asked for help first', async () => {
    expect((await find(world.anna)).task).toBeNull()
    await present(anna)
    expect(await find(world.anna)).toMatchObject({ task: 'in', helpAt: null, shows: false })
    const ben = await world.as('ben')
    await present(ben, { help: true })
    await present(anna, { help: true, shows: true })
    await present(ben, { help: true, acted: false })
    const [a, b] = [await find(world.anna), await find(world.ben)]
    expect(a.shows).toBe(true)
    expect(b.helpAt! < a.helpAt!).toBe(true)
    await teacher.delete(`/api/groups/${world.group}/lesson/${world.ben}/help`)
    expect((await find(world.ben)).helpAt).toBeNull()
  })

  it('tells the teacher what is new about where somebody is, and nothing that is not', async () => {
    await present(anna)
    const before = await newest()
    await present(anna, { acted: false })
    expect(await toldSince(before)).toEqual([])
    await present(anna, { task: 'out' })
    await present(anna, { task: 'out', shows: true })
    await present(anna, { task: 'out', shows: true, help: true })
    expect(await toldSince(before)).toEqual(['presence', 'presence', 'help'])
    await present(anna)
  })

  it('lets the teacher see a work as it grows on the other server', async () => {
    const { id, revision } = await openWork(world, anna)
    const look = (after: number | string) =>
      teacher.get<{ revision: number; mix: { envelopes: { points: unknown[] }[] } | null }>(
        `/api/assignments/${world.assignment}/works/${world.anna}?after=${after}`,
      )
    expect((await look(revision)).body).toEqual({ revision, mix: null })
    const before = await newest()
    await anna.patch(`/api/works/${id}`, saveOf(revision, [point(0, -90), point(960, 0)]))
    // told within a moment, without asking for the work again
    await expect.poll(async () => await toldSince(before), { timeout: 10_000 }).toContain('work')
    const { body } = await look(revision)
    expect(body.mix!.envelopes[0]!.points).toHaveLength(2)
    expect((await look(0)).body.revision).toBe(revision + 1)
    expect((await look('x')).status).toBe(400)
    expect((await teacher.get(`/api/assignments/${world.assignment}/works/${world.ben}`)).status).toBe(404)
  })

  it('points at a place that lights up on the other server’s page', async () => {
    const live = await anna.raw('GET', '/api/happenings/live')
    const reader = live.body!.getReader()
    const until = async (text: string) => {
      let all = ''
      while (!all.includes(text)) all += new TextDecoder().decode((await reader.read()).value)
      return all
    }
    await until('event: open')
    await teacher.post(`/api/assignments/${world.assignment}/point`, { lane: REED, from: 960, to: 1920 })
    expect(await until('"point"')).toContain('"from":960')
    await reader.cancel()
    const outside = await teacher.post<Refused>(`/api/assignments/${world.assignment}/point`, {
      from: 0,
      to: 1e8,
    })
    expect(outside.body.error.message).toMatch(/inside the song/)
    const stranger = { from: 0, to: 960, person: 'nobody' }
    expect((await teacher.post(`/api/assignments/${world.assignment}/point`, stranger)).status).toBe(404)
  })

  it('lets one of two saves win, whichever server they go through', async () => {
    const { id, revision } = await openWork(world, anna)
    const same = await world.as('anna')
    const saves = await Promise.all(
      [anna, same].map((c, i) => c.patch(`/api/works/${id}`, saveOf(revision, [point(0, -i)]))),
    )
    expect(saves.map((s) => s.status).sort()).toEqual([200, 409])
  })
})
