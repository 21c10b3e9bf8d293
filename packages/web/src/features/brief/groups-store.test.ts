import { serveWith } from '../../../test/fake-server'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { useGroups } from './groups-store'

const { get, post } = vi.hoisted(() => ({ get: vi.fn(), post: vi.fn() }))
serveWith({ get, post })

const group = (id: string, assignment: string | null) => ({
  group: id,
  name: `Group ${id}`,
  students: 3,
  assignment,
  dueAt: null,
})

beforeEach(() => {
  setActivePinia(createPinia())
  vi.clearAllMocks()
  get.mockResolvedValue([group('own', 'a'), group('has', 'b'), group('new', null)])
  post.mockResolvedValue({ count: 1 })
})

describe('the groups of an assignment', () => {
  it('are its own, those that have it too, and those that could', async () => {
    const groups = useGroups()
    await groups.load('a')
    expect(groups.others.map((g) => g.group)).toEqual(['has', 'new'])
    expect(groups.shared.map((g) => g.group)).toEqual(['has'])
  })

  it('get it with the dates that were chosen, and nothing is sent for none', async () => {
    const groups = useGroups()
    await groups.load('a')
    expect(await groups.give()).toBe(0)
    expect(post).not.toHaveBeenCalled()
    groups.choose('new', null)
    groups.choose('new', '2031-01-01T00:00:00.000Z')
    expect(await groups.give()).toBe(1)
    expect(post).toHaveBeenCalledWith('/api/assignments/a/groups', {
      groups: [{ group: 'new', dueAt: '2031-01-01T00:00:00.000Z' }],
    })
    expect([groups.chosen.size, get.mock.calls.length]).toEqual([0, 2])
  })

  it('stay chosen where the server refuses it, and are forgotten with another assignment', async () => {
    const groups = useGroups()
    await groups.load('a')
    groups.choose('new', null)
    groups.choose('has', null)
    groups.leaveOut('has')
    post.mockRejectedValueOnce(new Error('Group new has no students yet.'))
    await expect(groups.give()).rejects.toThrow('no students')
    expect([...groups.chosen.keys()]).toEqual(['new'])
    await groups.load('b')
    expect(groups.chosen.size).toBe(0)
  })
})
