import { plainMix, type WorkDocument } from '@rudlo/core/mix'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { ApiError, Unreachable } from '../api/errors'
import type { UnsentWork } from './unsent'
import type { CommandReport } from '@rudlo/contract/works'
import type { SaveRequest } from './unsent'
import { Saver, type Newest, type SaverPorts } from './saver'

const empty = plainMix({
  format: 'rudlo-song',
  version: 1,
  title: '',
  length: 1,
  tempo: [],
  meter: [],
  sections: [],
  tracks: [],
  regions: [],
  assets: [],
})
const start: WorkDocument = { mix: empty, notes: [] }
const with_ = (text: string): WorkDocument => ({
  mix: empty,
  notes: [{ id: 'n', tick: 0, text, done: false }],
})
const command = (label: string): CommandReport => ({ label, lanes: [], from: 0, to: 0, how: 'hand', at: '' })

/** A server that can be told to fail, and a browser store that remembers. */
function setup(ports: Partial<SaverPorts> = {}) {
  const sent: SaveRequest[] = []
  const states: string[] = []
  const acked: (Newest & { save: string })[] = []
  const kept: { now: UnsentWork | null } = { now: null }
  let answer: (request: SaveRequest) => Promise<{ revision: number }> = ({ revision }) =>
    Promise.resolve({ revision: revision + 1 })
  const conflict = vi.fn<SaverPorts['onConflict']>().mockResolvedValue(undefined)
  const saver = new Saver(
    'work',
    { revision: 1, document: start },
    {
      send: (request) => {
        sent.push(request)
        return answer(request)
      },
      keep: async (unsent) => void (kept.now = unsent),
      clear: async () => void (kept.now = null),
      settled: async () => undefined,
      acked: async (newest, save) => void acked.push({ ...newest, save }),
      onState: (state) => void states.push(state),
      onConflict: conflict,
      ...ports,
    },
  )
  return { saver, sent, states, kept, acked, conflict, answerWith: (next: typeof answer) => (answer = next) }
}

beforeEach(() => void vi.useFakeTimers())
afterEach(() => void vi.useRealTimers())

describe('Saver', () => {
  it('tells what the server has and by which save', async () => {
    const { saver, sent, acked } = setup()
    saver.change(with_('a'), command('a'))
    await saver.flush()
    saver.change(with_('b'), command('b'))
    await saver.flush()
    expect(acked).toEqual([
      { revision: 2, document: with_('a'), save: sent[0]!.save },
      { revision: 3, document: with_('b'), save: sent[1]!.save },
    ])
    saver.adopt({ revision: 9, document: start })
    expect(acked.at(-1)).toEqual({ revision: 9, document: start, save: '' })
  })

  it('goes on where this browser cannot note what the server has', async () => {
    const { saver, states } = setup({ acked: () => Promise.reject(new Error('full')) })
    saver.change(with_('a'), command('a'))
    expect(await saver.flush()).toBe(true)
    expect(states.at(-1)).toBe('saved')
  })

  it('says that it is saved once that is noted here too, and by which revision', async () => {
    let noted = () => {}
    const settled = vi.fn<SaverPorts['settled']>(() => new Promise((resolve) => (noted = resolve)))
    const { saver, states } = setup({ settled })
    saver.change(with_('a'), command('a'))
    await vi.advanceTimersByTimeAsync(500)
    expect(settled.mock.calls).toEqual([[2]])
    expect(states.at(-1)).toBe('saving')
    noted()
    await vi.advanceTimersByTimeAsync(0)
    expect(states.at(-1)).toBe('saved')
  })

  it('leaves a change in the browser that comes while there was nothing to be sent', async () => {
    const { saver, kept, answerWith, states } = setup({
      keep: async (unsent) => {
        await new Promise((resolve) => setTimeout(resolve, 400))
        kept.now = unsent
      },
    })
    answerWith(() => Promise.reject(new Unreachable()))
    saver.change(with_('a'), null)
    // it is as it was: that is found while both are still being written down
    saver.change(start, null)
    await vi.advanceTimersByTimeAsync(350)
    saver.change(with_('b'), null)
    await vi.advanceTimersByTimeAsync(5000)
    expect(kept.now).toMatchObject({ document: with_('b') })
    expect(states.at(-1)).toBe('not saved')
  })

  it('keeps an edit in the browser at once and sends it well within a second', async () => {
    const { saver, sent, states, kept } = setup()
    saver.change(with_('a'), command('a'))
    expect(kept.now).toMatchObject({ revision: 1, document: with_('a') })
    await vi.advanceTimersByTimeAsync(500)
    expect(sent).toMatchObject([{ revision: 1, commands: [{ label: 'a' }] }])
    expect(states.at(-1)).toBe('saved')
    expect(kept.now).toBeNull()
    expect(saver.revision).toBe(2)
  })

  it('gathers quick edits into one patch, with all their commands', async () => {
    const { saver, sent } = setup()
    for (const text of ['a', 'ab', 'abc']) saver.change(with_(text), command(text))
    await vi.advanceTimersByTimeAsync(500)
    expect(sent).toHaveLength(1)
    expect(sent[0]!.commands.map((c) => c.label)).toEqual(['a', 'ab', 'abc'])
  })

  it('sends what came while it was sending as the next revision', async () => {
    const { saver, sent, answerWith } = setup()
    answerWith((r) => new Promise((resolve) => setTimeout(() => resolve({ revision: r.revision + 1 }), 1000)))
    saver.change(with_('a'), command('a'))
    await vi.advanceTimersByTimeAsync(600)
    saver.change(with_('b'), command('b'))
    await vi.advanceTimersByTimeAsync(5000)
    expect(sent.map((s) => s.revision)).toEqual([1, 2])
    expect(saver.dirty).toBe(false)
  })

  it('says that it is not saved, tries again, and sends the very same save', async () => {
    const { saver, sent, states, kept, answerWith } = setup()
    answerWith(() => Promise.reject(new Unreachable()))
    saver.change(with_('a'), command('a'))
    await vi.advanceTimersByTimeAsync(400)
    expect(states.at(-1)).toBe('not saved')
    expect(kept.now?.sent).toEqual(sent[0])
    answerWith(({ revision }) => Promise.resolve({ revision: revision + 1 }))
    await vi.advanceTimersByTimeAsync(10_000)
    expect(sent[1]).toEqual(sent[0])
    expect(states.at(-1)).toBe('saved')
  })

  it('tries at once when the network comes back', async () => {
    const { saver, sent, answerWith } = setup()
    answerWith(() => Promise.reject(new Unreachable()))
    saver.change(with_('a'), null)
    await vi.advanceTimersByTimeAsync(8000)
    const before = sent.length
    saver.nudge()
    await vi.advanceTimersByTimeAsync(10)
    expect(sent.length).toBe(before + 1)
  })

  it('hands one conflict over once, however often it is nudged while the copy is being kept', async () => {
    const { saver, sent, conflict, answerWith } = setup()
    const newest = { revision: 9, document: with_('theirs') }
    answerWith(() => Promise.reject(new ApiError(409, 'not-now', 'Changed.', { newest })))
    conflict.mockImplementation(async () => {
      await new Promise((resolve) => setTimeout(resolve, 2000))
      saver.adopt(newest)
    })
    saver.change(with_('mine'), command('mine'))
    await vi.advanceTimersByTimeAsync(500)
    saver.nudge()
    const flushed = saver.flush()
    await vi.advanceTimersByTimeAsync(5000)
    expect(await flushed).toBe(true)
    expect(conflict).toHaveBeenCalledTimes(1)
    expect(sent).toHaveLength(1)
  })

  it('hands a conflict over with both sides, and asks again where that could not be settled', async () => {
    const { saver, conflict, answerWith } = setup()
    const newest = { revision: 9, document: with_('theirs') }
    answerWith(() => Promise.reject(new ApiError(409, 'not-now', 'Changed.', { newest })))
    conflict.mockRejectedValueOnce(new Unreachable())
    saver.change(with_('mine'), command('mine'))
    await vi.advanceTimersByTimeAsync(400)
    expect(conflict).toHaveBeenCalledWith(newest, with_('mine'))
    expect(saver.dirty).toBe(true)
    await vi.advanceTimersByTimeAsync(2000)
    expect(conflict).toHaveBeenCalledTimes(2)
    saver.adopt(newest)
    expect([saver.dirty, saver.revision]).toEqual([false, 9])
  })

  it('has nothing to send where nothing changed', async () => {
    const { saver, sent } = setup()
    saver.change({ ...start }, command('nothing'))
    await vi.advanceTimersByTimeAsync(500)
    expect(sent).toEqual([])
    expect(saver.dirty).toBe(false)
  })

  it('flushes at once', async () => {
    const { saver, sent } = setup()
    saver.change(with_('a'), null)
    expect(await saver.flush()).toBe(true)
    expect(sent).toHaveLength(1)
  })

  it('sends the edits of a whole lesson without network, however many, in saves that the server takes', async () => {
    const { saver, sent, states, kept, answerWith } = setup()
    answerWith(() => Promise.reject(new Unreachable()))
    for (let i = 0; i < 5000; i++) saver.change(with_(`edit ${i}`), command(`edit ${i}`))
    await vi.advanceTimersByTimeAsync(60_000)
    expect(states.at(-1)).toBe('not saved')
    // what is kept holds every edit: those of the save that is on its way, and the rest
    expect((kept.now?.sent?.commands.length ?? 0) + (kept.now?.commands?.length ?? 0)).toBe(5000)
    answerWith(({ revision }) => Promise.resolve({ revision: revision + 1 }))
    saver.nudge()
    const [flushed] = await Promise.all([saver.flush(), vi.advanceTimersByTimeAsync(5000)])
    expect(flushed).toBe(true)
    const arrived = [...new Map(sent.map((s) => [s.save, s])).values()]
    expect(arrived.flatMap((s) => s.commands.map((c) => c.label))).toEqual(
      Array.from({ length: 5000 }, (_, i) => `edit ${i}`),
    )
    for (const { commands } of arrived) expect(commands.length).toBeLessThanOrEqual(500)
    expect(arrived.filter((s) => s.patch.length)).toHaveLength(1)
    expect(arrived.map((s) => s.revision)).toEqual(arrived.map((_, i) => i + 1))
    expect([saver.dirty, states.at(-1), kept.now]).toEqual([false, 'saved', null])
  })

  it('goes on with what a closed page held, commands and all', async () => {
    const { saver, sent } = setup()
    saver.resume(with_('held'), [command('one'), command('two')])
    saver.change(with_('more'), command('three'))
    await vi.advanceTimersByTimeAsync(500)
    expect(sent.flatMap((s) => s.commands.map((c) => c.label))).toEqual(['one', 'two', 'three'])
  })

  it('sends as ever where the browser keeps nothing', async () => {
    const { saver, sent, states } = setup({ keep: () => Promise.reject(new Error('Storage is full.')) })
    saver.change(with_('a'), command('a'))
    await vi.advanceTimersByTimeAsync(500)
    expect(sent).toHaveLength(1)
    expect(states.at(-1)).toBe('saved')
  })
})
