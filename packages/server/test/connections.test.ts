import { point } from '@rudlo/core/envelope'
import { GuardedDataSource, PoolBusy } from '../src/database/guarded-source'
import { POOL_SIZE } from '../src/database/data-source'
import { HandIn } from '../src/handins/entities'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { Client } from './client'
import { openWork, saveOf, type HandInAnswer } from './story'
import { makeWorld, PASSWORD, type World } from './world'

let world: World
let teacher: Client
beforeAll(async () => {
  world = await makeWorld()
  teacher = await world.as('teacher')
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
  })
})
