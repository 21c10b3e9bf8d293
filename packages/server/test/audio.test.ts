import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { unpackOverview } from '@rudlo/core/exchange'
import { MIX_SCHEMA } from '@rudlo/core/mix'
import { parseRange } from '../src/http/byte-range'
import { AssetChunk } from '../src/songbook/entities'
import { assetId } from '../src/songbook/audio/asset-id'
import { CHUNK } from '../src/songbook/audio/flac-pieces'
import { decodeFlac } from '../src/songbook/audio/flac-decoder'
import type { Client } from './client'
import { makeWorld, type World } from './world'

let world: World
let anna: Client
let address: string
beforeAll(async () => {
  world = await makeWorld()
  anna = await world.as('anna')
  address = `/api/assets/${world.song.assets[0]!.id}`
})
afterAll(() => world.close())

describe('audio', () => {
  it('comes back as the same samples, by their hash', async () => {
    const { id, frames } = world.song.assets[0]!
    const { bytes, headers } = await anna.get(address)
    expect(headers.get('content-type')).toBe('audio/flac')
    expect(assetId(await decodeFlac(bytes, frames))).toBe(id)
  })

  it('is kept once, in chunks of at most 1 MiB, however long', async () => {
    let state = 1
    const noise = new Int16Array(800_000).map(() => (state = (state * 48_271) % 2_147_483_647) & 0x7fff)
    const id = await world.services.assets.keep([noise, noise.slice().reverse()])
    expect(await world.services.assets.keep([noise, noise.slice().reverse()])).toBe(id)
    const chunks = await world.database.getRepository(AssetChunk).findBy({ assetId: id })
    expect(chunks.length).toBeGreaterThan(1)
    for (const { data } of chunks) expect(data.length).toBeLessThanOrEqual(CHUNK)
    const asset = await world.services.assets.find(id)
    const all = await world.services.assets.bytes(id, 0, asset!.bytes - 1)
    expect(assetId(await decodeFlac(all, 800_000))).toBe(id)
    const across = await world.services.assets.bytes(id, CHUNK - 3, CHUNK + 2)
    expect(across).toEqual(all.subarray(CHUNK - 3, CHUNK + 3))
  })

  it('is served by range, and cached privately and for ever', async () => {
    const whole = await anna.get(address)
    expect(whole.headers.get('cache-control')).toBe('private, max-age=31536000, immutable')
    const part = await anna.get(address, { range: 'bytes=100-199' })
    expect([part.status, part.headers.get('content-range')]).toEqual([
      206,
      `bytes 100-199/${whole.bytes.length}`,
    ])
    expect(part.bytes).toEqual(whole.bytes.slice(100, 200))
    expect((await anna.get(address, { range: 'bytes=-50' })).bytes).toEqual(whole.bytes.slice(-50))
    expect((await anna.get(address, { range: 'bytes=99999999-' })).status).toBe(416)
    expect((await anna.get(address, { 'if-none-match': whole.headers.get('etag')! })).status).toBe(304)
  })

  it('has an overview for the waveform', async () => {
    const { bytes } = await anna.get(`${address}/overview`)
    expect(unpackOverview(bytes, world.song.assets[0]!.frames).zooms).toHaveLength(6)
  })

  it('that is damaged is refused with a sentence', async () => {
    const { bytes } = await anna.get(address)
    const { frames } = world.song.assets[0]!
    await expect(decodeFlac(bytes.slice(0, bytes.length / 2), frames)).rejects.toThrow('damaged')
    await expect(decodeFlac(new Uint8Array(500), frames)).rejects.toThrow()
  })
})

describe('parseRange', () => {
  it.each([
    [undefined, 'all'],
    ['bytes=0-', { from: 0, to: 99 }],
    ['bytes=5-5', { from: 5, to: 5 }],
    ['bytes=90-200', { from: 90, to: 99 }],
    ['bytes=-10', { from: 90, to: 99 }],
    ['bytes=-0', 'beyond'],
    ['bytes=100-', 'beyond'],
    ['bytes=9-3', 'all'],
    ['bytes=0-1,4-5', 'all'],
    ['pages=1', 'all'],
  ])('%s', (header, range) => {
    expect(parseRange(header, 100)).toEqual(range)
  })
})

it('publishes the schema of a mix', async () => {
  expect((await (await world.as(null)).get('/schemas/rudlo-mix-1.json')).body).toEqual(
    JSON.parse(JSON.stringify(MIX_SCHEMA)),
  )
})
