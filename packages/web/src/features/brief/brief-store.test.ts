import { serveWith } from '../../../test/fake-server'
import type { Brief } from '@rudlo/core/brief'
import { point } from '@rudlo/core/envelope'
import { plainMix, trackLevel, withPoints, type Mix } from '@rudlo/core/mix'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { shortSong } from '../../../test/short-song'
import { useBrief } from './brief-store'

const song = { ...shortSong, length: 16 * 3840 }
const LEVEL = trackLevel('reed')
const start = plainMix(song)
const faded = withPoints(start, LEVEL, [point(0, -90), point(4 * 3840, -3)], () => 'l')
const settings = {
  revision: 3,
  modelHeard: 'never',
  draft: true,
  opensAt: null,
  dueAt: null,
  handInLimit: null,
  group: 'g',
} as const
const brief: Brief = {
  purpose: 'Why.',
  open: [],
  answers: 'asked',
  hintsAfter: 0,
  repairs: true,
  tasks: [
    { id: 'one', title: 'One', text: '', lanes: [], from: 0, to: 3840, checks: [], hints: [], weight: 1 },
  ],
}

let model: Mix | null = null
const put = vi.fn((_: string, body: { revision: number }) => Promise.resolve({ revision: body.revision + 1 }))
const post = vi.fn((path: string) =>
  Promise.resolve(path.endsWith('/trial') ? { start: [], model: null, handIns: [] } : { count: 2 }),
)
serveWith({
  get: (path: string) =>
    Promise.resolve(
      path.endsWith('/model')
        ? { mix: model }
        : {
            id: 'a',
            title: 'Title',
            brief,
            settings,
            songDocument: song,
            startingMix: start,
            hasModel: model !== null,
          },
    ),
  put: (path: string, body: { revision: number }) => put(path, body),
  post: (path: string) => post(path),
})

async function opened() {
  const store = useBrief()
  await store.open('a')
  return store
}

beforeEach(() => {
  setActivePinia(createPinia())
  vi.clearAllMocks()
  model = null
})

describe('saving', () => {
  it('goes one after the other: given out while it is being saved, it is given out, and not called saved before', async () => {
    const store = await opened()
    const answers: (() => void)[] = []
    const later = (_: string, body: { revision: number }) =>
      new Promise<{ revision: number }>((resolve) =>
        answers.push(() => resolve({ revision: body.revision + 1 })),
      )
    put.mockImplementationOnce(later).mockImplementationOnce(later)
    store.title = 'Another'
    const saved = store.save()
    await vi.waitFor(() => expect(answers).toHaveLength(1), 20_000)
    const given = store.giveOut()
    answers[0]!()
    expect(await saved).toBe(true)
    expect(store.changed).toBe(true)
    await vi.waitFor(() => expect(answers).toHaveLength(2), 20_000)
    expect(put.mock.calls.map(([, sent]) => sent)).toEqual([
      expect.objectContaining({ title: 'Another', draft: true, revision: 3 }),
      expect.objectContaining({ title: 'Another', draft: false, revision: 4 }),
    ])
    answers[1]!()
    await given
    expect([store.changed, store.isDraft, store.problem]).toEqual([false, false, ''])
  })
})

describe('a brief that is written', () => {
  it('is saved by its revision, and knows whether it is', async () => {
    const store = await opened()
    expect([store.changed, store.isDraft]).toEqual([false, true])
    store.changeTask('one', { title: 'Two' })
    expect(store.changed).toBe(true)
    expect(await store.save()).toBe(true)
    expect(put).toHaveBeenCalledWith(
      '/api/assignments/a',
      expect.objectContaining({ revision: 3, title: 'Title' }),
    )
    expect([store.changed, store.settings!.revision]).toEqual([false, 4])
  })

  it('stays as it is where the server refuses it, and says why', async () => {
    const store = await opened()
    put.mockRejectedValueOnce(new Error('An assignment needs at least one task.'))
    store.removeTask('one')
    await store.giveOut()
    expect(store.problem).toBe('An assignment needs at least one task.')
    expect([store.isDraft, store.changed]).toEqual([true, true])
  })

  it('is not sent with what cannot be, and each field says why', async () => {
    const store = await opened()
    store.title = ' '
    store.settings = { ...store.settings!, handInLimit: 0 }
    expect(await store.save()).toBe(false)
    expect(store.fault('title')).toBe('The assignment needs a title of at most 200 characters.')
    expect(store.fault('handInLimit')).toBe('At least one hand-in must be allowed.')
    expect([store.fault('dueAt'), store.problem]).toEqual([null, store.fault('title')])
    expect(put).not.toHaveBeenCalled()
    // another brief begins without what was wrong with this one
    await store.open('a')
    expect(store.fault('title')).toBeNull()
    store.settings = { ...store.settings!, handInLimit: 2 }
    expect(await store.save()).toBe(true)
    expect(store.fault('title')).toBeNull()
  })

  it('is given out at once', async () => {
    const store = await opened()
    await store.giveOut()
    expect(put).toHaveBeenCalledWith('/api/assignments/a', expect.objectContaining({ draft: false }))
    expect(store.isDraft).toBe(false)
  })

  it('takes back step by step', async () => {
    const store = await opened()
    store.addEmpty()
    store.duplicate(store.brief!.tasks[1]!)
    store.moveTask(2, 0)
    expect(store.brief!.tasks.map((t) => t.title)).toEqual(['New task (copy)', 'One', 'New task'])
    for (let i = 0; i < 3; i++) store.undo()
    expect(store.brief).toEqual(brief)
  })

  it('opens the lanes that its tasks are about, and begins checks with values that fit', async () => {
    const store = await opened()
    store.changeTask('one', { lanes: [LEVEL] })
    expect(store.brief!.open).toEqual([LEVEL])
    store.addCheck(store.brief!.tasks[0]!, 'fade in')
    expect(store.brief!.tasks[0]!.checks).toMatchObject([
      { kind: 'fade in', values: { lane: LEVEL, from: 0, to: 3840 } },
    ])
    for (const lesson of store.lessons) await store.addLesson(lesson)
    expect(store.brief!.tasks).toHaveLength(1 + store.lessons.length)
  })

  it('has tasks proposed from a model, and says so where there is nothing to propose', async () => {
    model = faded
    const store = await opened()
    store.propose()
    expect(store.brief!.tasks).toMatchObject([{ title: 'Fade Reed in', lanes: [LEVEL] }])
    expect(store.openTask).toBe(store.brief!.tasks[0]!.id)
    model = start
    await store.open('a')
    store.propose()
    expect(store.problem).toContain('nothing to suggest')
    expect(store.brief).toEqual(brief)
  })

  it('is tried out as it is written, and what was handed in is measured anew only on purpose', async () => {
    const store = await opened()
    await store.tryOut()
    expect(store.trial).toEqual({ start: [], model: null, handIns: [] })
    store.addEmpty()
    expect(store.trial).toBeNull()
    expect(await store.remeasure()).toBe(2)
  })
})
