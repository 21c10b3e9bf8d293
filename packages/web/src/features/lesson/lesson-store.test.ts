import { serveWith } from '../../../test/fake-server'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, nextTick, reactive, ref } from 'vue'
import { useLesson } from './lesson-store'
import { usePresence } from '../bench/presence-store'

const calls = vi.hoisted(() => ({ get: vi.fn(), post: vi.fn(), put: vi.fn(), remove: vi.fn() }))
serveWith({ ...calls })

const at = (seconds: number) => new Date(Date.UTC(2026, 0, 1, 12) - seconds * 1000).toISOString()
const student = (id: string, more: object = {}) => ({
  id,
  name: id,
  assignment: 'a',
  task: 't',
  seenAt: at(2),
  actedAt: at(5),
  helpAt: null,
  shows: false,
  ...more,
})

beforeEach(() => {
  vi.useFakeTimers()
  setActivePinia(createPinia())
  for (const call of Object.values(calls)) call.mockReset()
  calls.put.mockResolvedValue(null)
  calls.post.mockResolvedValue(null)
  calls.remove.mockResolvedValue(null)
  calls.get.mockImplementation(async (path: string) => {
    if (path === '/api/assignments') return [{ id: 'a', title: 'Make room' }]
    if (path.endsWith('/lesson'))
      return {
        now: at(0),
        students: [
          student('late', { helpAt: at(3) }),
          student('early', { helpAt: at(30) }),
          student('stuck', { actedAt: at(400) }),
          student('gone', { seenAt: at(300), helpAt: at(300) }),
          student('never', { assignment: null, task: null, seenAt: null, actedAt: null }),
        ],
      }
    if (path === '/api/assignments/a') return { id: 'a', brief: { tasks: [{ id: 't', title: 'Fade' }] } }
    return path.endsWith('after=0') ? { revision: 4, mix: { n: 4 } } : { revision: 4, mix: null }
  })
})
afterEach(() => void vi.useRealTimers())

describe('a lesson', () => {
  it('names the task that everybody is at', async () => {
    const lesson = useLesson()
    await lesson.open('g')
    expect(lesson.list.map((s) => s.doing)).toEqual(['Fade', 'Fade', 'Fade', 'Fade', ''])
    const asked = calls.get.mock.calls.filter(([path]) => path === '/api/assignments/a')
    expect(asked).toHaveLength(1)
  })

  it('follows somebody who begins, or goes to another assignment', async () => {
    const lesson = useLesson()
    await lesson.open('g')
    await lesson.look('never')
    expect([lesson.opened, lesson.mix]).toEqual([null, null])
    calls.get.mockImplementation(async (path: string) => {
      if (path.endsWith('/lesson')) return { now: at(0), students: [student('never', { assignment: 'b' })] }
      return path === '/api/assignments/b'
        ? { id: 'b', brief: { tasks: [] } }
        : { revision: 1, mix: { n: 1 } }
    })
    await lesson.refresh()
    expect([lesson.opened?.id, lesson.mix]).toEqual(['b', { n: 1 }])
  })

  it('shows a move on a song, in the place of a work, until it is put away', async () => {
    const lesson = useLesson()
    await lesson.open('g')
    await lesson.look('late')
    await lesson.show('a')
    expect([lesson.shown?.id, lesson.looked, lesson.mix]).toEqual(['a', null, null])
    await lesson.look('early')
    expect([lesson.shown, lesson.looked]).toEqual([null, 'early'])
    await lesson.show('a')
    lesson.endShow()
    expect(lesson.shown).toBeNull()
    calls.get.mockRejectedValueOnce(new Error('The server cannot be reached.'))
    await lesson.show('b')
    expect([lesson.shown, lesson.problem]).toEqual([null, 'The server cannot be reached.'])
  })

  it('knows who is here, who may be stuck, and whose hand went up first', async () => {
    const lesson = useLesson()
    await lesson.open('g')
    expect(lesson.list.map((s) => [s.id, s.here, s.idle])).toEqual([
      ['late', true, 0],
      ['early', true, 0],
      ['stuck', true, 6],
      ['gone', false, 0],
      ['never', false, Infinity],
    ])
    expect(lesson.hands.map((s) => s.id)).toEqual(['early', 'late'])
    expect(lesson.list[0]!.where).toBe('Make room')
  })

  it('follows a work, fetching it again only where it grew', async () => {
    const lesson = useLesson()
    await lesson.open('g')
    await lesson.look('stuck')
    expect(lesson.mix).toEqual({ n: 4 })
    await lesson.follow()
    expect(calls.get).toHaveBeenLastCalledWith('/api/assignments/a/works/stuck?after=4')
    expect(lesson.mix).toEqual({ n: 4 })
    await lesson.look('never')
    expect(lesson.mix).toBeNull()
  })

  it('points, and tells where it could not', async () => {
    const lesson = useLesson()
    await lesson.open('g')
    await lesson.pointAt('a', { lane: null, from: 0, to: 960 }, null)
    expect(calls.post).toHaveBeenCalledWith('/api/assignments/a/point', {
      lane: null,
      from: 0,
      to: 960,
      person: null,
    })
    calls.post.mockRejectedValue(new Error('The place must lie inside the song.'))
    await lesson.pointAt('a', { lane: null, from: 0, to: 960 }, 'late')
    expect(lesson.problem).toMatch(/inside the song/)
    await lesson.helped('late')
    expect(calls.remove).toHaveBeenCalledWith('/api/groups/g/lesson/late/help')
  })
})

describe('presence', () => {
  it('is told at once where something changes, from time to time otherwise, and no more when the bench is gone', async () => {
    const presence = usePresence()
    const place = reactive({ assignment: 'a', task: 't1' })
    const act = ref(0)
    const scope = effectScope()
    scope.run(() =>
      presence.tell(
        () => place,
        () => act.value,
      ),
    )
    const told = () => calls.put.mock.calls.at(-1)![1] as object
    expect(told()).toEqual({ task: 't1', acted: false, help: false, shows: false })
    act.value++
    place.task = 't2'
    presence.help = true
    await nextTick()
    expect(told()).toEqual({ task: 't2', acted: true, help: true, shows: false })
    await vi.advanceTimersByTimeAsync(5100)
    expect(told()).toMatchObject({ acted: false, help: true })
    const count = calls.put.mock.calls.length
    scope.stop()
    await vi.advanceTimersByTimeAsync(20_000)
    expect(calls.put.mock.calls.length).toBe(count)
  })
})
