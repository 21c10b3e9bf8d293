import { serveWith } from '../../test/fake-server'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { server, told } from './client'
import { ApiError, Unreachable } from './errors'
import { useSession } from './session-store'

const api = vi.hoisted(() => ({
  get: vi.fn(),
  post: vi.fn(),
  put: vi.fn(),
  remove: vi.fn(),
}))
serveWith(api)
const farewell = vi.fn()

const ANNA = { id: 'p1', name: 'Anna', role: 'student' }
const nobody = { person: null, demo: [ANNA], needsFirstTeacher: false }

beforeEach(() => {
  setActivePinia(createPinia())
  vi.clearAllMocks()
  api.get.mockResolvedValue(nobody)
  api.post.mockResolvedValue(ANNA)
  api.put.mockResolvedValue(ANNA)
})

describe('who is signed in', () => {
  it('is asked of the server, and is known then', async () => {
    const session = useSession()
    expect(session.known).toBe(false)
    await session.look()
    expect([session.known, session.person, session.demo.length]).toEqual([true, null, 1])
  })

  it('comes in by name, as somebody of the demo, or as the first teacher', async () => {
    const session = useSession()
    await session.signIn('anna', 'secret words')
    expect(api.post).toHaveBeenLastCalledWith('/api/session', { signIn: 'anna', password: 'secret words' })
    expect(session.person).toEqual(ANNA)
    await session.signInDemo('p1')
    expect(api.post).toHaveBeenLastCalledWith('/api/demo-session', { person: 'p1' })
    const first = { code: 'abc', name: 'Noor', signIn: 'noor', password: 'secret words' }
    await session.createFirstTeacher(first)
    expect(api.post).toHaveBeenLastCalledWith('/api/first-teacher', first)
  })

  it('stays nobody where the password is wrong', async () => {
    const session = useSession()
    api.post.mockRejectedValueOnce(new Error('That is not the password.'))
    await expect(session.signIn('anna', 'wrong')).rejects.toThrow('not the password')
    expect(session.person).toBeNull()
  })

  it('chooses an own password, with the present one where that was their own', async () => {
    const session = useSession()
    await session.choosePassword('new words')
    expect(api.put).toHaveBeenLastCalledWith('/api/session/password', { password: 'new words' })
    await session.choosePassword('newer words', 'new words')
    expect(api.put).toHaveBeenLastCalledWith('/api/session/password', {
      password: 'newer words',
      now: 'new words',
    })
  })
})

describe('signing out', () => {
  it('has everything put away that is of the person', async () => {
    const session = useSession()
    session.onFarewell(farewell)
    await session.signIn('anna', 'secret words')
    await session.signOut()
    expect(api.remove).toHaveBeenCalledWith('/api/session')
    expect(farewell.mock.calls).toEqual([['p1']])
    expect(session.person).toBeNull()
  })

  it('stays signed in where the server cannot be reached', async () => {
    const session = useSession()
    await session.signIn('anna', 'secret words')
    session.onFarewell(farewell)
    api.remove.mockRejectedValueOnce(new Unreachable())
    await expect(session.signOut()).rejects.toThrow('cannot be reached')
    expect(session.person).toEqual(ANNA)
    expect(farewell).not.toHaveBeenCalled()
  })
})

/** The server says that nobody is signed in here any more. */
async function over(): Promise<void> {
  api.get.mockRejectedValueOnce(new ApiError(401, 'not-signed-in', 'Please sign in.'))
  await told(server.groups.$get()).catch(() => null)
}

describe('a session that ends in the middle', () => {
  const overFor = async () => {
    const session = useSession()
    await session.signIn('anna', 'secret')
    await over()
    return session
  }

  it('is not said by an answer to what was asked before they were back', async () => {
    const session = await overFor()
    let late!: (error: ApiError) => void
    api.get.mockReturnValueOnce(new Promise((_, reject) => (late = reject)))
    const asked = told(server.groups.$get()).catch(() => null)
    await session.goOn('anna', 'secret')
    late(new ApiError(401, 'not-signed-in', 'Sign in.'))
    await asked
    expect(session.isOver).toBe(false)
    // what is asked now counts
    await over()
    expect(session.isOver).toBe(true)
  })

  it('is said to whoever works here, and over once they are back', async () => {
    const session = await overFor()
    expect([session.isOver, session.person?.id]).toEqual([true, 'p1'])
    await session.goOn('anna', 'secret')
    expect(session.isOver).toBe(false)
    expect(api.post).toHaveBeenLastCalledWith('/api/session', { signIn: 'anna', password: 'secret' })
  })

  it('begins anew for somebody else: what is open is not theirs', async () => {
    const assign = vi.fn()
    vi.stubGlobal('window', { location: { assign } })
    const session = await overFor()
    api.post.mockResolvedValueOnce({ ...ANNA, id: 'p2' })
    await session.goOn('ben', 'secret')
    expect(assign).toHaveBeenCalledWith('/')
    vi.unstubAllGlobals()
  })

  it('is nothing where nobody was signed in', async () => {
    const session = useSession()
    await over()
    expect(session.isOver).toBe(false)
  })
})

describe('whoever signs out while the server is away', () => {
  const storage = new Map<string, string>()
  beforeEach(() => {
    storage.clear()
    serveWith(api)
    vi.stubGlobal('localStorage', {
      getItem: (key: string) => storage.get(key) ?? null,
      setItem: (key: string, value: string) => void storage.set(key, value),
      removeItem: (key: string) => void storage.delete(key),
    })
  })

  /** Somebody who was signed in, and has left. */
  async function left() {
    const session = useSession()
    await session.signInDemo('p1')
    api.remove.mockRejectedValue(new Unreachable())
    api.get.mockRejectedValue(new Unreachable())
    await session.signOut().catch(() => undefined)
    return session
  }

  it('is gone from here, and their session is ended before anything else is asked', async () => {
    const session = await left()
    expect(session.person).toBeNull()
    await expect(session.look()).rejects.toBeInstanceOf(Unreachable)
    const order: string[] = []
    api.remove.mockReset().mockImplementation(async () => void order.push('ended'))
    api.get.mockReset().mockImplementation(async () => (order.push('asked'), nobody))
    await session.look()
    await session.look()
    expect(order).toEqual(['ended', 'asked', 'asked'])
  })

  it('does not take the next one along who signs in', async () => {
    const session = await left()
    api.remove.mockReset().mockResolvedValue(null)
    await session.signInDemo('p1')
    api.get.mockReset().mockResolvedValue({ ...nobody, person: ANNA })
    await session.look()
    expect([api.remove.mock.calls.length, session.person?.name]).toEqual([0, 'Anna'])
  })

  it('stays where this browser cannot remember that they left', async () => {
    vi.stubGlobal('localStorage', undefined)
    const session = useSession()
    await session.signInDemo('p1')
    api.remove.mockRejectedValue(new Unreachable())
    await expect(session.signOut()).rejects.toBeInstanceOf(Unreachable)
    expect(session.person?.name).toBe('Anna')
  })
})
