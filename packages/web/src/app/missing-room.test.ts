import { beforeEach, describe, expect, it, vi } from 'vitest'
import { createMemoryHistory, createRouter, type Router } from 'vue-router'
import { whenRoomIsMissing } from './missing-room'

const health = vi.fn<typeof fetch>()
/** What the browser keeps; null for one that keeps nothing. */
let storage: Map<string, string> | null
beforeEach(() => {
  storage = new Map()
  vi.stubGlobal('fetch', health)
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => storage!.get(key) ?? null,
    setItem: (key: string, value: string) => storage!.set(key, value),
  })
})

/** Rooms of which one cannot be fetched, and what is said and opened by it. */
function rooms() {
  const router: Router = createRouter({
    history: createMemoryHistory(),
    routes: [
      { path: '/', component: {} },
      { path: '/songs', component: () => Promise.reject(new TypeError('Failed to fetch')) },
    ],
  })
  const said: string[] = []
  const opened: string[] = []
  whenRoomIsMissing(
    router,
    (sentence) => said.push(sentence),
    (path) => opened.push(path),
  )
  /** Goes there, and waits until what follows has happened. */
  const go = async (path: string) => {
    await router.push(path).catch(() => null)
    await new Promise((done) => setTimeout(done))
  }
  return { go, said, opened, router }
}

describe('a room that cannot be fetched', () => {
  it('is told to whoever goes there while the server is away, and they stay', async () => {
    health.mockRejectedValue(new TypeError('Failed to fetch'))
    const { go, said, opened, router } = rooms()
    await go('/')
    await go('/songs')
    expect(said).toEqual(['The server cannot be reached right now.'])
    expect([opened, router.currentRoute.value.path]).toEqual([[], '/'])
  })

  it('is opened from the newer version where the server is there, but not again and again', async () => {
    health.mockResolvedValue(new Response())
    const { go, said, opened } = rooms()
    await go('/songs?by=name')
    expect([said, opened]).toEqual([[], ['/songs?by=name']])
    await go('/songs')
    expect([said, opened.length]).toEqual([['Something went wrong.'], 1])
  })

  it('is not opened anew where nothing is kept: that could go on and on', async () => {
    health.mockResolvedValue(new Response())
    storage = null
    const { go, said, opened } = rooms()
    await go('/songs')
    expect([said, opened]).toEqual([['Something went wrong.'], []])
  })

  it('that is there is nobody’s business', async () => {
    const { go, said, opened } = rooms()
    await go('/')
    expect([said, opened]).toEqual([[], []])
  })
})
