import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Refused } from './client'
import { makeWorld, type World } from './world'

/** What is left free on the disk of the database, in bytes. */
let left = 0

/** The same with a disk that is really full, where this machine lets us have one, is in `full-disk.test.ts`. */
describe('a disk with little room', () => {
  let world: World
  beforeAll(async () => void (world = await makeWorld({ freeRoom: async () => left })))
  afterAll(() => world.close())

  it.each([
    ['enough', 64 * 1024 * 1024, 200],
    ['a byte too little', 64 * 1024 * 1024 - 1, 507],
    ['nothing', 0, 507],
  ])('takes what is written with %s, or says so', async (_, room, status) => {
    left = 1e12
    const teacher = await world.as('teacher')
    left = room
    const made = await teacher.post<Refused>('/api/groups', { name: 'New', place: '' })
    expect(made.status).toBe(status)
    if (status === 507) expect(made.body.error.code).toBe('disk-full')
    // reading goes on, and so does what makes room and coming in
    expect((await teacher.get('/api/groups')).status).toBe(200)
    expect((await teacher.delete('/api/bank/none')).status).toBe(404)
    await world.as('anna')
  })
})
