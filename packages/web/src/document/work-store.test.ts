import { serveWith } from '../../test/fake-server'
import { point } from '@rudlo/core/envelope'
import { plainMix, trackLevel, withSetting, type WorkDocument } from '@rudlo/core/mix'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { shortSong as song } from '../../test/short-song'
import { ApiError, Unreachable } from '../api/errors'
import type { UnsentWork } from './unsent'
import type { KeptHistory, KeptWork } from './offline-copy'
import type { SaveRequest } from './unsent'

const player = { load: vi.fn(), stop: vi.fn() }
vi.mock('../engine/player-store', () => ({ usePlayer: () => player }))

/** What the browser's own database holds, and what the server answers. */
const kept = new Map<string, UnsentWork>()
const histories = new Map<string, KeptHistory>()
const openedHere = new Map<string, KeptWork>()
const server = {
  document: { mix: plainMix(song), notes: [] } as WorkDocument,
  revision: 1,
  lastSave: '',
  tries: [] as { name: string; document: WorkDocument }[],
  patch: vi.fn(),
}
vi.mock('./offline-copy', () => ({
  OfflineCopy: class {
    read = async (id: string) => kept.get(id)
    write = async (unsent: UnsentWork) => void kept.set(unsent.workId, unsent)
    clear = async (id: string) => void kept.delete(id)
    readOpened = async (id: string) => openedHere.get(id)
    writeOpened = async (work: KeptWork) => void openedHere.set(work.assignmentId, structuredClone(work))
    readHistory = async (id: string) => histories.get(id)
    writeHistory = async (history: KeptHistory) =>
      void histories.set(history.workId, structuredClone(history))
  },
}))
let elsewhere: () => void = () => undefined
vi.mock('./window-guard', () => ({
  WindowGuard: class {
    constructor(_: string, onElsewhere: () => void) {
      elsewhere = onElsewhere
    }
    claim = async () => undefined
    close = () => undefined
  },
}))
const serve = () =>
  serveWith({
    get: async (path: string) => {
      if (path.endsWith('/tries')) return server.tries
      if (path.endsWith('/hand-ins')) return []
      return view()
    },
    post: async (path: string, body: { name: string; document: WorkDocument }) => {
      if (path.endsWith('/tries')) server.tries.push(body)
      return path.endsWith('/work') ? view() : { id: 'hand-in' }
    },
    patch: (...args: unknown[]) => server.patch(...args) as unknown,
  })

const view = () => ({
  id: 'work',
  assignmentId: 'a',
  window: '',
  revision: server.revision,
  document: server.document,
  lastSave: server.lastSave,
})

const REED = trackLevel('reed')
const change = (label: string) => ({ label, lanes: [REED], from: 0, to: 960 })

async function opened() {
  const { useWork } = await import('./work-store')
  const work = useWork()
  const { around } = await work.open('assignment', 'person')
  await around
  return work
}

beforeEach(() => {
  serve()
  vi.useFakeTimers()
  vi.stubGlobal('window', {
    addEventListener: () => undefined,
    removeEventListener: () => undefined,
    document: { addEventListener: () => undefined, removeEventListener: () => undefined },
  })
  setActivePinia(createPinia())
  kept.clear()
  histories.clear()
  openedHere.clear()
  Object.assign(server, {
    document: { mix: plainMix(song), notes: [] },
    revision: 1,
    lastSave: '',
    tries: [],
  })
  server.patch
    .mockReset()
    .mockImplementation((_: string, request: SaveRequest) =>
      Promise.resolve({ revision: request.revision + 1 }),
    )
  player.load.mockClear()
})
afterEach(async () => {
  // what is calm comes to rest before the next test
  await vi.advanceTimersByTimeAsync(2000)
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

describe('editing', () => {
  it('is heard at once, saved soon, and is one step', async () => {
    const work = await opened()
    work.setPoints(REED, [point(0, -6)], change('Added a point'))
    expect(player.load).toHaveBeenLastCalledWith(work.mix)
    expect(work.history.done.map((s) => s.label)).toEqual(['Added a point'])
    expect(work.saveState).toBe('saving')
    await vi.advanceTimersByTimeAsync(500)
    expect(work.saveState).toBe('saved')
    expect(server.patch.mock.calls[0]![1]).toMatchObject({
      revision: 1,
      commands: [{ label: 'Added a point', how: 'hand' }],
    })
  })

  it('is undone and redone, each saved like any other change', async () => {
    const work = await opened()
    work.setMix((mix) => withSetting(mix, REED, -6), change('Set'))
    work.setNotes((notes) => [...notes, { id: 'n', tick: 0, text: 'soft', done: false }], change('Note'))
    work.undo()
    work.undo()
    expect([work.mix!.tracks[0]!.level, work.notes, work.canUndo]).toEqual([0, [], false])
    work.redo()
    expect(work.mix!.tracks[0]!.level).toBe(-6)
    await vi.advanceTimersByTimeAsync(500)
    const { commands } = server.patch.mock.calls.at(-1)![1] as SaveRequest
    expect(commands.map((c) => c.label)).toEqual([
      'Set',
      'Note',
      'Undone: Note',
      'Undone: Set',
      'Redone: Set',
    ])
  })

  it('can be undone after a reload too, as long as nobody else went on', async () => {
    const work = await opened()
    work.setMix((mix) => withSetting(mix, REED, -6), change('Set'))
    work.setMix((mix) => withSetting(mix, REED, -12), change('Set again'))
    await vi.advanceTimersByTimeAsync(500)
    Object.assign(server, { document: structuredClone(work.document), revision: 2 })

    setActivePinia(createPinia())
    const again = await opened()
    expect(again.history.done.map((s) => s.label)).toEqual(['Set', 'Set again'])
    again.undo()
    expect(again.mix!.tracks[0]!.level).toBe(-6)
    again.undo()
    expect([again.mix!.tracks[0]!.level, again.canUndo]).toEqual([0, false])

    server.revision = 9
    setActivePinia(createPinia())
    expect((await opened()).history.done).toEqual([])
  })
})

describe('what was not sent', () => {
  it('is taken up when the work is opened again', async () => {
    const document = { mix: withSetting(plainMix(song), REED, -12), notes: [] }
    kept.set('work', { workId: 'work', revision: 1, document, sent: null })
    const work = await opened()
    expect(work.mix!.tracks[0]!.level).toBe(-12)
    await vi.advanceTimersByTimeAsync(500)
    expect(server.patch).toHaveBeenCalledOnce()
    expect(kept.size).toBe(0)
  })

  it('is kept as a try where somebody else went on meanwhile', async () => {
    const document = { mix: withSetting(plainMix(song), REED, -12), notes: [] }
    kept.set('work', { workId: 'work', revision: 1, document, sent: null })
    server.revision = 5
    const work = await opened()
    expect(work.mix!.tracks[0]!.level).toBe(0)
    expect(server.tries.map((t) => t.document)).toEqual([document])
    expect(work.notice).toMatch(/saved as the try/)
  })

  it('stays here while the server is away, and says so', async () => {
    const work = await opened()
    server.patch.mockRejectedValue(new Unreachable())
    work.setMix((mix) => withSetting(mix, REED, -6), change('Set'))
    await vi.advanceTimersByTimeAsync(600)
    expect([work.saveState, kept.size]).toEqual(['not saved', 1])
  })
})

describe('a work that was opened here, while the server is away', () => {
  /** Cuts the network; what is asked from now on finds nobody. */
  const cut = () => {
    const gone = () => Promise.reject(new Unreachable())
    serveWith({ get: gone, post: gone, put: gone, patch: gone })
  }

  it('opens as the server had it last, with what was done since, and is sent when it is back', async () => {
    const first = await opened()
    first.setMix((mix) => withSetting(mix, REED, -6), change('Set'))
    await vi.advanceTimersByTimeAsync(600)
    expect([first.saveState, openedHere.get('a')?.revision]).toEqual(['saved', 2])
    cut()
    first.setMix((mix) => withSetting(mix, REED, -9), change('Set'))
    await vi.advanceTimersByTimeAsync(600)
    const left = first.leave()
    await vi.advanceTimersByTimeAsync(600)
    await left

    setActivePinia(createPinia())
    const { useWork } = await import('./work-store')
    const again = useWork()
    await again.open('a', 'person')
    expect(again.mix!.tracks[0]!.level).toBe(-9)
    again.setMix((mix) => withSetting(mix, REED, -12), change('Set'))
    await vi.advanceTimersByTimeAsync(600)
    expect(again.saveState).toBe('not saved')

    serve()
    server.patch.mockClear()
    again.nudge()
    await vi.advanceTimersByTimeAsync(20_000)
    expect(again.saveState).toBe('saved')
    // the save that may have arrived is sent as it was, the rest from what it made
    const revisions = server.patch.mock.calls.map(([, request]) => (request as SaveRequest).revision)
    expect(revisions[0]).toBe(2)
    expect(openedHere.get('a')!.document.mix.tracks[0]!.level).toBe(-12)
  })

  it('cannot be opened where it never was', async () => {
    cut()
    const { useWork } = await import('./work-store')
    await expect(useWork().open('another', 'person')).rejects.toBeInstanceOf(Unreachable)
  })
})

describe('two windows', () => {
  it('the one that loses a save keeps its copy as a try and shows the newest', async () => {
    const work = await opened()
    const newest = { revision: 9, document: { mix: withSetting(plainMix(song), REED, 3), notes: [] } }
    server.patch.mockRejectedValueOnce(new ApiError(409, 'not-now', 'Changed.', { newest }))
    work.setMix((mix) => withSetting(mix, REED, -6), change('Set'))
    await vi.advanceTimersByTimeAsync(600)
    expect(work.mix!.tracks[0]!.level).toBe(3)
    expect(server.tries[0]!.document.mix.tracks[0]!.level).toBe(-6)
    expect(work.canUndo).toBe(false)
  })

  it('the older one takes no more edits until it is taken back', async () => {
    const work = await opened()
    elsewhere()
    await vi.advanceTimersByTimeAsync(10)
    work.setMix((mix) => withSetting(mix, REED, -6), change('Set'))
    expect([work.elsewhere, work.history.done.length]).toEqual([true, 0])
    server.revision = 4
    server.document = { mix: withSetting(plainMix(song), REED, -1), notes: [] }
    await work.workHere()
    expect([work.elsewhere, work.mix!.tracks[0]!.level]).toEqual([false, -1])
  })

  it('a try is gone on from as one step that can be undone', async () => {
    const work = await opened()
    work.replace({ mix: withSetting(plainMix(song), REED, -30), notes: [] }, 'Went on from the try')
    expect(work.mix!.tracks[0]!.level).toBe(-30)
    work.undo()
    expect(work.mix!.tracks[0]!.level).toBe(0)
  })
})

describe('leaving', () => {
  /** Somebody who leaves while what was changed last is on its way, until the server has `saved` it. */
  async function leaving() {
    const work = await opened()
    let answer: (saved: { revision: number }) => void = () => undefined
    server.patch.mockImplementationOnce(() => new Promise((resolve) => (answer = resolve)))
    work.setMix((mix) => withSetting(mix, REED, -6), change('Set'))
    return { work, left: work.leave(), saved: () => answer({ revision: 2 }) }
  }

  it('saves first, and does not close the work that was opened meanwhile', async () => {
    const { work, left, saved } = await leaving()
    const again = work.open('assignment', 'person')
    await vi.advanceTimersByTimeAsync(100)
    saved()
    await vi.advanceTimersByTimeAsync(100)
    await Promise.all([left, again])
    work.setMix((mix) => withSetting(mix, REED, -9), change('Set again'))
    await vi.advanceTimersByTimeAsync(600)
    expect([work.mix?.tracks[0]!.level, work.saveState]).toEqual([-9, 'saved'])
  })

  it('and coming back at once shows what was saved, though the work was asked for before', async () => {
    const { work, left, saved } = await leaving()
    const { workAhead } = await import('../api/ahead')
    workAhead.begin('assignment')
    await vi.advanceTimersByTimeAsync(100)
    Object.assign(server, { document: work.document, revision: 2 })
    saved()
    await vi.advanceTimersByTimeAsync(100)
    await left
    await work.open('assignment', 'person')
    expect(work.mix!.tracks[0]!.level).toBe(-6)
  })
})
