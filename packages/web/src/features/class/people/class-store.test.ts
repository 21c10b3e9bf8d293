import { serveWith } from '../../../../test/fake-server'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { useClass } from './class-store'

const calls = vi.hoisted(() => ({ get: vi.fn(), post: vi.fn(), put: vi.fn(), remove: vi.fn() }))
serveWith({ ...calls })

const group = { id: 'g', name: 'Thursday', students: [], teachers: [], requests: [] }
const card = { name: 'Ines', signIn: 'ines', password: 'mira-talo-47' }

beforeEach(() => {
  setActivePinia(createPinia())
  for (const call of Object.values(calls)) call.mockReset()
  calls.get.mockImplementation(async (path: string) => (path === '/api/groups' ? [group] : group))
})

async function opened() {
  const store = useClass()
  await store.load()
  await store.open('g')
  return store
}

describe('groups', () => {
  it('show cards for those who were added, and look at the group anew', async () => {
    const store = await opened()
    calls.post.mockResolvedValue({ rows: [], problems: [], classes: [], cards: [card] })
    expect(await store.addStudents({ text: 'Ines' })).toBe(true)
    expect(calls.post).toHaveBeenCalledWith('/api/groups/g/roster', { text: 'Ines', preview: false })
    expect(store.cards).toEqual([card])
    calls.post.mockResolvedValue(card)
    await store.resetPassword('p')
    expect(store.cards).toEqual([card])
  })

  it('say what was refused, and change nothing', async () => {
    const store = await opened()
    calls.post.mockRejectedValue(new Error('Somebody has the sign-in name “ines” already. Nobody was added.'))
    expect(await store.addStudents({ text: 'Ines' })).toBeNull()
    expect([store.problem, store.cards]).toEqual([expect.stringMatching(/already/), []])
    calls.post.mockResolvedValue({ rows: [], problems: [{ line: 2, sentence: 'x' }], classes: [], cards: [] })
    expect((await store.previewRoster({ text: '' }))!.problems).toHaveLength(1)
    expect(store.problem).toBe('')
  })

  it('let people in, rename, erase and name teachers', async () => {
    const store = await opened()
    calls.post.mockResolvedValue({ cards: [card] })
    await store.answer(['r'], true)
    expect(calls.post).toHaveBeenLastCalledWith('/api/groups/g/requests', { requests: ['r'], accept: true })
    await store.addTeacher({ signIn: 'noor' })
    expect(calls.post).toHaveBeenLastCalledWith('/api/groups/g/teachers', { signIn: 'noor' })
    await store.addTeacher({ signIn: 'noor', name: 'Noor' })
    expect(store.cards).toEqual([card])
    await store.rename('p', 'Ines V.')
    expect(calls.put).toHaveBeenLastCalledWith('/api/groups/g/students/p', { name: 'Ines V.' })
    await store.erase('p')
    expect(calls.remove).toHaveBeenLastCalledWith('/api/people/p')
    await store.takeOut('p')
    expect(calls.remove).toHaveBeenLastCalledWith('/api/groups/g/members/p')
  })

  it('are made, and opened by who made them', async () => {
    const store = useClass()
    calls.post.mockResolvedValue({ id: 'new' })
    expect(await store.create('Monday', '')).toBe('new')
    expect(store.groups).toEqual([group])
  })
})
