import fc from 'fast-check'
import { randomBytes } from 'node:crypto'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Readable } from 'node:stream'
import { overviewOf, packOverview } from '@rudlo/core/exchange'
import { afterAll, describe, expect, it } from 'vitest'
import { ArrivingFiles } from '../src/songbook/arriving'
import { assetId } from '../src/songbook/audio/asset-id'
import { encodeFlac } from '../src/songbook/audio/flac-encoder'
import { CHUNK, flacPieces } from '../src/songbook/audio/flac-pieces'
import { decodeFlac } from '../src/songbook/audio/flac-decoder'
import { listen } from '../src/songbook/audio/listener'

const folder = mkdtempSync(join(tmpdir(), 'rudlo-listener-'))
afterAll(() => rmSync(folder, { recursive: true }))

const sound = (frames: number, seed: number) =>
  new Int16Array(frames).map((_, n) => ((n * seed) % 4001) - 2000)

function write(...sides: Int16Array[]): string[] {
  return sides.map((side, i) => {
    const file = join(folder, `${i}-${Math.random()}`)
    writeFileSync(file, Buffer.from(side.buffer, side.byteOffset, side.byteLength))
    return file
  })
}

describe('a FLAC file', () => {
  const facts = { id: 'x', channels: 1, frames: 1, overview: new Uint8Array() } as const
  async function piecesOf(made: Parameters<typeof flacPieces>[0]): Promise<Buffer[]> {
    const pieces: Buffer[] = []
    for await (const piece of flacPieces(made)) pieces.push(Buffer.from(piece))
    return pieces
  }

  it.each([1, CHUNK - 1, CHUNK, CHUNK + 1, 3 * CHUNK])(
    'of %i bytes comes in the same pieces from a file as from memory',
    async (bytes) => {
      const flac = randomBytes(bytes)
      const file = join(folder, `flac-${bytes}`)
      writeFileSync(file, flac)
      const pieces = await piecesOf({ ...facts, file, bytes })
      expect(pieces.length).toBe(Math.ceil(bytes / CHUNK))
      expect(Buffer.concat(pieces).equals(flac)).toBe(true)
      expect((await piecesOf({ ...facts, flac })).map((p) => p.length)).toEqual(pieces.map((p) => p.length))
    },
  )

  it('that was cut off meanwhile is not kept', async () => {
    const file = join(folder, 'flac-short')
    writeFileSync(file, randomBytes(CHUNK + 5))
    await expect(piecesOf({ ...facts, file, bytes: CHUNK + 6 })).rejects.toThrow('shorter')
  })
})

describe('recordings that are read block by block', () => {
  // a block has a megabyte: shorter ones, one that fills it, and longer ones
  it.each([1, 255, 524_288, 1_200_001])('are the same as in one piece: %i samples', async (frames) => {
    const [left, right] = [sound(frames, 37), sound(frames, 91)]
    const heard = await listen(write(left, right))
    const isOne = frames === 1
    const kept = isOne ? [left] : [left, right]
    expect(heard).toMatchObject({ id: assetId(kept), channels: kept.length, frames })
    expect(heard.overview).toEqual(packOverview(overviewOf(kept)))
  })

  it('are one side where both are the same, also where they differ in the last sample alone', async () => {
    const left = sound(700_000, 37)
    expect(await listen(write(left, left))).toMatchObject({ id: assetId([left]), channels: 1 })
    const other = left.slice()
    other[699_999]! += 1
    expect(await listen(write(left, other))).toMatchObject({ id: assetId([left, other]), channels: 2 })
    expect(await listen(write(left))).toMatchObject({ id: assetId([left]), channels: 1 })
  })

  it('are the same samples as FLAC and back', async () => {
    for (const channels of [[sound(50_000, 37)], [sound(9000, 37), sound(9000, 5)], [new Int16Array(4096)]]) {
      const flac = await encodeFlac(channels)
      expect(await decodeFlac(flac, channels[0]!.length)).toEqual(channels)
    }
  })

  it('whatever they are, however few', async () => {
    const sample = fc.integer({ min: -32_768, max: 32_767 })
    const side = (length: number) => fc.array(sample, { minLength: length, maxLength: length })
    const sides = fc
      .tuple(fc.integer({ min: 1, max: 9000 }), fc.boolean())
      .chain(([length, isStereo]) => fc.array(side(length), { minLength: 1, maxLength: isStereo ? 2 : 1 }))
    await fc.assert(
      fc.asyncProperty(sides, async (lists) => {
        const channels = lists.map((list) => Int16Array.from(list))
        expect(await decodeFlac(await encodeFlac(channels), channels[0]!.length)).toEqual(channels)
      }),
      // each is a process of its own
      { numRuns: 12 },
    )
  })
})

describe('files on their way in', () => {
  it('are written at their place, not further than they are long, and go when nobody writes to them', async () => {
    const files = new ArrivingFiles(join(folder, 'arriving'))
    const send = (at: number, bytes: Uint8Array, size = bytes.length) =>
      files.write('a', at, size, Readable.from([bytes]))
    expect(await files.size('a')).toBe(0)
    expect(await send(0, new Uint8Array([1, 2, 3]))).toBe(3)
    expect(await send(3, new Uint8Array([4, 5]))).toBe(2)
    // the same again, and one that is too long
    expect(await send(0, new Uint8Array([1, 2, 3]))).toBe(3)
    expect(await send(5, new Uint8Array(4), 2)).toBe(3)
    expect(await files.size('a')).toBe(5)
    await files.sweep(new Date(Date.now() - 60_000))
    expect(await files.size('a')).toBe(5)
    await files.sweep(new Date(Date.now() + 60_000))
    expect(await files.size('a')).toBe(0)
    await files.remove('a')
  })
})
