import { afterAll, beforeAll, expect, it } from 'vitest'
import { makeWorld, type World } from './world'

let world: World
beforeAll(async () => void (world = await makeWorld()))
afterAll(() => world.close())

const TAKEN = { 'accept-encoding': 'gzip, deflate, br' }

it('short answers come as they are, with their length in bytes; long ones come packed', async () => {
  const anna = await world.as('anna')
  const short = await anna.raw('GET', '/api/session', TAKEN)
  expect(short.headers.get('content-encoding')).toBeNull()
  const { byteLength } = await short.arrayBuffer()
  expect(short.headers.get('content-length')).toBe(String(byteLength))
  const long = await anna.raw('GET', '/api/openapi.json', TAKEN)
  expect(long.headers.get('content-encoding')).not.toBeNull()
  expect(long.headers.get('content-length')).toBeNull()
})
