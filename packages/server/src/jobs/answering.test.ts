import { syncBuiltinESMExports } from 'node:module'
import os from 'node:os'
import { transferableSymbol, valueSymbol } from 'piscina'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { badInput } from '../http/problem'
import { answering } from './answering'

// the tests run in no thread of their own: they would all be put behind everything else
beforeAll(() => {
  vi.spyOn(os, 'setPriority').mockReturnValue()
  syncBuiltinESMExports()
})
afterAll(() => {
  vi.restoreAllMocks()
  syncBuiltinESMExports()
})

/** What a worker thread hands over: the answer, and the buffers that go along whole. */
async function handedOver(work: () => unknown): Promise<{ answer: unknown; moved: readonly ArrayBuffer[] }> {
  const made = (await answering(work)({})) as Record<symbol, unknown>
  if (!(transferableSymbol in made)) return { answer: made, moved: [] }
  return { answer: made[valueSymbol], moved: made[transferableSymbol] as readonly ArrayBuffer[] }
}

const LARGE = 100_000

describe('what a worker thread answers', () => {
  it('is its result, and large buffers in it go over whole', async () => {
    const bytes = new Uint8Array(LARGE)
    const { answer, moved } = await handedOver(() => ({ bytes, small: new Uint8Array(8), name: 'a' }))
    expect(answer).toMatchObject({ result: { name: 'a' } })
    expect(moved).toEqual([bytes.buffer])
  })

  it('leaves what it only looks at a part of, and what all threads share', async () => {
    const part = new Uint8Array(LARGE * 2).subarray(0, LARGE)
    const shared = new Int16Array(new SharedArrayBuffer(LARGE * 2))
    expect((await handedOver(() => [part, shared])).moved).toEqual([])
  })

  it('never looks through samples one by one', async () => {
    const values = vi.spyOn(Object, 'values')
    await handedOver(() => [new Int16Array(LARGE), new Float32Array(LARGE)])
    expect(values.mock.calls.filter(([looked]) => ArrayBuffer.isView(looked))).toEqual([])
  })

  it('is why there is none, as far as whoever asked may know it', async () => {
    const failing = (error: Error) => () => {
      throw error
    }
    expect((await handedOver(failing(badInput('No.')))).answer).toMatchObject({
      error: 'No.',
      problem: { status: 400 },
    })
    expect((await handedOver(failing(new RangeError('Far.')))).answer).toEqual({
      error: 'Far.',
      isRange: true,
    })
    expect((await handedOver(failing(new Error('Broken.')))).answer).toEqual({
      error: 'Broken.',
      isRange: false,
    })
  })
})
