import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { type Client } from './client'
import { makeWorld, type World } from './world'

let world: World
let teacher: Client
beforeAll(async () => {
  world = await makeWorld()
  teacher = await world.as('teacher')
})
afterAll(() => world.close())

describe('what nothing refers to', () => {
  it('goes after a day: files on their way, and audio of no song; the rest stays', async () => {
    const { database, services } = world
    const old = await teacher.post<{ id: string }>('/api/uploads', { name: 'old.wav', bytes: 4 })
    await teacher.raw('POST', `/api/uploads/${old.body.id}/chunks/0`, {}, new Uint8Array(4))
    const fresh = await teacher.post<{ id: string }>('/api/uploads', { name: 'new.wav', bytes: 4 })
    const left = await services.assets.keep([new Int16Array(500).map((_, n) => n)])
    const young = await services.assets.keep([new Int16Array(500).map((_, n) => -n)])
    const day = new Date(Date.now() - 25 * 3_600_000)
    await database.query('UPDATE uploads SET created_at = ? WHERE id = ?', [day, old.body.id])
    await database.query('UPDATE assets SET created_at = ? WHERE id <> ?', [day, young])
    expect(await services.housekeeping.sweep()).toEqual({ removed: 0, uploads: 1, assets: 1 })
    expect((await teacher.get(`/api/uploads/${old.body.id}`)).status).toBe(404)
    expect((await teacher.get(`/api/uploads/${fresh.body.id}`)).status).toBe(200)
    expect(await services.assets.find(left)).toBeNull()
    expect(await services.assets.find(young)).not.toBeNull()
    expect(await services.assets.find(world.song.assets[0]!.id)).not.toBeNull()
    // brought in again, it counts as new
    await database.query('UPDATE assets SET created_at = ? WHERE id = ?', [day, young])
    await services.assets.keep([new Int16Array(500).map((_, n) => -n)])
    expect(await services.housekeeping.sweep()).toEqual({ removed: 0, uploads: 0, assets: 0 })
  })

  it('may be brought in twice at once: it is kept once', async () => {
    const sound = () => [new Int16Array(9000).map((_, n) => (n * 37) % 500)]
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
