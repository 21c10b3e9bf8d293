import { RIG_MAP, untaught, writeSurface } from '@rudlo/core/surface'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { makeWorld, type World } from './world'

let world: World
beforeAll(async () => (world = await makeWorld()))
afterAll(() => world.close())

it('keeps what a person taught their surfaces, for themselves alone', async () => {
  const anna = await world.as('anna')
  const maps = [writeSurface(untaught('Small box')), writeSurface({ ...RIG_MAP, name: 'Long box' })]
  expect((await anna.get<{ maps: unknown }>('/api/surfaces')).body.maps).toEqual([])
  expect((await anna.call('PUT', '/api/surfaces', { maps })).status).toBe(204)
  expect((await (await world.as('anna')).get<{ maps: unknown }>('/api/surfaces')).body.maps).toEqual(maps)
  expect((await (await world.as('ben')).get<{ maps: unknown }>('/api/surfaces')).body.maps).toEqual([])
})

it('refuses what is no map with its place, and keeps what was there', async () => {
  const ben = await world.as('ben')
  const good = [writeSurface(untaught('Box'))]
  await ben.call('PUT', '/api/surfaces', { maps: good })
  const bad = { ...writeSurface(untaught('Box')), knobs: Array(8).fill({ kind: 'bend', channel: 99 }) }
  const answers = [{ maps: [bad] }, { maps: 'all' }, { maps: Array(21).fill(good[0]) }, { maps: [null] }]
  for (const body of answers) {
    const { status, body: problem } = await ben.call<{ error: { message: string } }>(
      'PUT',
      '/api/surfaces',
      body,
    )
    expect(status).toBe(400)
    expect(problem.error.message).toMatch(/\.$/)
  }
  expect((await ben.get<{ maps: unknown }>('/api/surfaces')).body.maps).toEqual(good)
})
