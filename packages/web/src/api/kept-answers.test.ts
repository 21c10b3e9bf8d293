import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { serveWith } from '../../test/fake-server'
import { away, noteAway } from './away'
import { server, told } from './client'
import { Unreachable } from './errors'
import { useSession } from './session-store'
import { keepAnswersOf, keepFiles, keptAnswer } from './kept-answers'

/** A browser's stores of answers, by name and path. */
const stores = new Map<string, Map<string, Response>>()
const sizes = { file: 3 }
const storage = new Map<string, string>()

const open = async (name: string) => {
  const rows = stores.get(name) ?? new Map<string, Response>()
  stores.set(name, rows)
  const path = (of: string | { url: string }) => (typeof of === 'string' ? of : of.url)
  return {
    put: async (of: string, answer: Response) => void rows.set(of, answer),
    match: async (of: string | { url: string }) => rows.get(path(of))?.clone(),
    add: async (of: string) =>
      void rows.set(of, new Response('abc', { headers: { 'content-length': String(sizes.file) } })),
    keys: async () => [...rows.keys()].map((url) => ({ url })),
    delete: async (of: { url: string }) => rows.delete(of.url),
  }
}

const answers = { get: vi.fn() }
const assignments = () => told(server.assignments.$get())
const settle = () => new Promise((resolve) => setTimeout(resolve, 5))

beforeEach(async () => {
  stores.clear()
  storage.clear()
  sizes.file = 3
  vi.useRealTimers()
  vi.stubGlobal('caches', { open, delete: async (name: string) => stores.delete(name) })
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => storage.get(key) ?? null,
    setItem: (key: string, value: string) => void storage.set(key, value),
    removeItem: (key: string) => void storage.delete(key),
  })
  serveWith(answers)
  answers.get.mockReset().mockResolvedValue([{ id: 'a' }])
  noteAway(false)
  await keepAnswersOf('anna')
})

async function cut(): Promise<void> {
  await settle()
  answers.get.mockRejectedValue(new Unreachable())
}

describe('what the server said', () => {
  it('is shown again while it is away, and it is known that it is', async () => {
    await assignments()
    expect(away.value).toBe(false)
    await cut()
    expect(await assignments()).toEqual([{ id: 'a' }])
    expect(away.value).toBe(true)
    answers.get.mockResolvedValue([])
    expect(await assignments()).toEqual([])
    expect(away.value).toBe(false)
  })

  it('is not shown where it holds for this moment only', async () => {
    const head = () => told(server.works[':work'].head.$get({ param: { work: 'w' } }))
    answers.get.mockResolvedValue({ revision: 1, window: '' })
    await head()
    await cut()
    await expect(head()).rejects.toBeInstanceOf(Unreachable)
  })

  it('is gone with whose it was', async () => {
    await assignments()
    await cut()
    await keepAnswersOf('ben')
    await expect(assignments()).rejects.toBeInstanceOf(Unreachable)
  })

  it('is kept for nobody but a student, and never across a change of people', async () => {
    await keepAnswersOf(null)
    await assignments()
    await settle()
    expect(await keptAnswer('/api/assignments')).toBeUndefined()
    await keepAnswersOf('anna')
    let answer: (cards: unknown) => void = () => undefined
    answers.get.mockReturnValueOnce(new Promise((resolve) => (answer = resolve)))
    const asked = assignments()
    await keepAnswersOf('ben')
    answer([{ id: 'of Anna' }])
    await asked
    await settle()
    expect(await keptAnswer('/api/assignments')).toBeUndefined()
  })

  it('is not taken for that of a teacher who is here when the page opens', async () => {
    await assignments()
    await settle()
    setActivePinia(createPinia())
    const who = { person: { id: 'maren', name: 'Maren', role: 'teacher' }, demo: [], timeZone: 'Europe/Oslo' }
    answers.get.mockResolvedValue(who)
    await useSession().look()
    expect(stores.size).toBe(0)
    answers.get.mockResolvedValue([{ id: 'of Maren' }])
    await assignments()
    await settle()
    expect(await keptAnswer('/api/assignments')).toBeUndefined()
  })

  it('is shown no longer the more often it is looked at without the server', async () => {
    await assignments()
    const begun = storage.get('rudlo-answers-of')
    await cut()
    await assignments()
    await keepAnswersOf('anna')
    expect(storage.get('rudlo-answers-of')).toBe(begun)
  })

  it('is shown no longer than somebody stays signed in', async () => {
    await assignments()
    await settle()
    expect(await keptAnswer('/api/assignments')).toBeDefined()
    vi.useFakeTimers({ now: Date.now() + 15 * 86_400_000, toFake: ['Date'] })
    expect(await keptAnswer('/api/assignments')).toBeUndefined()
  })

  it('is forgotten at once, and nothing fails in a browser that keeps nothing', async () => {
    await assignments()
    await settle()
    await keepAnswersOf(null)
    expect(stores.size).toBe(0)
    vi.stubGlobal('caches', undefined)
    await keepAnswersOf('anna')
    expect(await assignments()).toEqual([{ id: 'a' }])
    await keepFiles(['/api/assets/a'])
    await cut()
    await expect(assignments()).rejects.toBeInstanceOf(Unreachable)
  })
})

describe('recordings', () => {
  it('are kept once, and what was kept first goes first where there are too many', async () => {
    sizes.file = 250e6
    await keepFiles(['/api/assets/a', '/api/assets/b'])
    await keepFiles(['/api/assets/a', '/api/assets/c'])
    expect([...stores.get('rudlo-answers')!.keys()]).toEqual(['/api/assets/b', '/api/assets/c'])
    await cut()
    const file = server.assets[':asset'].$get({ param: { asset: 'c' } })
    expect(await (await file).text()).toBe('abc')
  })
})
