import { afterAll, beforeAll, expect, it, vi } from 'vitest'
import { makeWorld, type World } from './world'

let world: World
beforeAll(async () => {
  world = await makeWorld()
})
afterAll(() => world.close())

it('are told to whoever listens, though somebody else begins to listen at the same moment and is slow', async () => {
  const { database } = world
  const { happenings } = world.services
  const query = database.query.bind(database)
  let go = () => undefined as void
  const gate = new Promise<void>((resolve) => (go = resolve))
  let looks = 0
  // the second one that asks where things stand gets its answer late
  const slow = vi.spyOn(database, 'query').mockImplementation(async (sql, parameters) => {
    if (sql.includes('MAX(id)') && ++looks > 1) await gate
    return query(sql, parameters)
  })
  const told: string[] = []
  const { anna, ben } = world
  const first = happenings.listen({ personId: anna, tell: (h) => void told.push(h.kind) })
  const second = happenings.listen({ personId: ben, tell: () => undefined })
  await first
  await happenings.tell(database.manager, [anna], 'signed out', { assignment: '', handIn: '' })
  go()
  await second
  await vi.waitFor(() => expect(told).toEqual(['signed out']), { timeout: 5000 })
  slow.mockRestore()
})
