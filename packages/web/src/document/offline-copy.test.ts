import { plainMix } from '@rudlo/core/mix'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { shortSong } from '../../test/short-song'
import type { UnsentWork } from './unsent'
import { OfflineCopy } from './offline-copy'

/** What the browser's database does when it is opened, and when something is written. */
const browser = vi.hoisted(() => ({ open: vi.fn(), put: vi.fn() }))
vi.mock('idb', () => ({ openDB: browser.open, deleteDB: vi.fn() }))

const unsent = (workId: string): UnsentWork => ({
  workId,
  revision: 1,
  document: { mix: plainMix(shortSong), notes: [] },
  sent: null,
  commands: [],
})

beforeEach(() => {
  vi.useFakeTimers()
  const rows = new Map<string, unknown>()
  browser.put.mockImplementation(async (_: string, value: { workId: string }) =>
    rows.set(value.workId, value),
  )
  browser.open.mockImplementation(async () => ({
    get: async (_: string, id: string) => rows.get(id),
    put: browser.put,
    delete: async (_: string, id: string) => rows.delete(id),
    count: async () => rows.size,
    close: () => undefined,
  }))
})
afterEach(() => {
  vi.useRealTimers()
  vi.resetAllMocks()
})

/** Writes, reads and clears: it has to work whatever the browser does. */
async function goesThrough(copy: OfflineCopy): Promise<void> {
  await copy.write(unsent('w'))
  expect(await copy.read('w')).toMatchObject({ workId: 'w' })
  expect(await copy.isEmpty()).toBe(false)
  await copy.writeHistory({ workId: 'w', revision: 1, steps: [] })
  expect(await copy.readHistory('w')).toMatchObject({ revision: 1 })
  await copy.clear('w')
}

describe('unsent edits', () => {
  it('are kept in the browser', async () => {
    const told = vi.fn()
    const copy = new OfflineCopy('anna', told)
    await copy.write(unsent('w'))
    expect(await copy.read('w')).toMatchObject({ workId: 'w' })
    expect([copy.keeps, told.mock.calls.length]).toEqual([true, 0])
  })

  it.each([
    ['refuses to open its database', () => Promise.reject(new Error('denied'))],
    [
      'throws at the very name of it',
      () => {
        throw new DOMException('The operation is insecure.', 'SecurityError')
      },
    ],
  ])('stay in the page where the browser %s, and that is said once', async (_, open) => {
    browser.open.mockImplementation(open as never)
    const told = vi.fn()
    const copy = new OfflineCopy('anna', told)
    await goesThrough(copy)
    expect([copy.keeps, told.mock.calls.length]).toEqual([false, 1])
    await copy.destroy()
  })

  it('stay in the page where the browser never answers', async () => {
    browser.open.mockImplementation(() => new Promise(() => undefined))
    const copy = new OfflineCopy('anna')
    const done = goesThrough(copy)
    await vi.advanceTimersByTimeAsync(5000)
    await done
    expect(copy.keeps).toBe(false)
  })

  it('stay in the page from the moment the disk is full', async () => {
    const told = vi.fn()
    const copy = new OfflineCopy('anna', told)
    await copy.write(unsent('first'))
    browser.put.mockRejectedValue(new DOMException('full', 'QuotaExceededError'))
    await copy.write(unsent('second'))
    expect(await copy.read('second')).toMatchObject({ workId: 'second' })
    expect(told).toHaveBeenCalledOnce()
  })
})
