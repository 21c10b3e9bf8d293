import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { useSession } from './session-store'

const api = vi.hoisted(() => ({
  get: vi.fn(),
  post: vi.fn(),
  put: vi.fn(),
  remove: vi.fn(),
  whenSignedOut: vi.fn(),
}))
vi.mock('../server/api', () => api)
const audio = vi.hoisted(() => ({ forgetAudio: vi.fn() }))
vi.mock('../audio/asset-loader', () => audio)
const copy = vi.hoisted(() => ({ empty: true, destroyed: [] as string[] }))
vi.mock('../work/offline-copy', () => ({
  OfflineCopy: class {
    constructor(private readonly id: string) {}
    isEmpty = async () => copy.empty
    destroy = async () => void copy.destroyed.push(this.id)
  },
}))

const ANNA = { id: 'p1', name: 'Anna', role: 'student' }
const nobody = { person: null, demo: [ANNA], needsFirstTeacher: false }

beforeEach(() => {
  setActivePinia(createPinia())
  vi.clearAllMocks()
  copy.empty = true
  copy.destroyed = []
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
  it('takes what was sent off this machine', async () => {
    const session = useSession()
    await session.signIn('anna', 'secret words')
    await session.signOut()
    expect(api.remove).toHaveBeenCalledWith('/api/session')
    expect([copy.destroyed, session.person]).toEqual([['p1'], null])
    expect(audio.forgetAudio).toHaveBeenCalled()
  })

  it('leaves what could not be sent yet', async () => {
    const session = useSession()
    expect(await session.hasUnsent()).toBe(false)
    await session.signIn('anna', 'secret words')
    copy.empty = false
    expect(await session.hasUnsent()).toBe(true)
    await session.signOut()
    expect(copy.destroyed).toEqual([])
  })

  it('stays signed in where the server cannot be reached', async () => {
    const session = useSession()
    await session.signIn('anna', 'secret words')
    api.remove.mockRejectedValueOnce(new Error('The server cannot be reached just now.'))
    await expect(session.signOut()).rejects.toThrow('cannot be reached')
    expect([session.person, copy.destroyed]).toEqual([ANNA, []])
  })
})

describe('a session that ends in the middle', () => {
  const overFor = async () => {
    const session = useSession()
    await session.signIn('anna', 'secret')
    const told = api.whenSignedOut.mock.calls.at(-1)![0] as () => void
    told()
    return session
  }

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

  it('is nothing where nobody was signed in', () => {
    const session = useSession()
    ;(api.whenSignedOut.mock.calls.at(-1)![0] as () => void)()
    expect(session.isOver).toBe(false)
  })
})
