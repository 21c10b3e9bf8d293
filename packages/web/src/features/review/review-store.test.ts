import { serveWith } from '../../../test/fake-server'
import { plainMix } from '@rudlo/core/mix'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { shortSong as song } from '../../../test/short-song'
import { ApiError, Unreachable } from '../../api/errors'
import { useReview } from './review-store'
import { useVersions } from './versions-store'

const player = vi.hoisted(() => ({
  load: vi.fn(),
  open: vi.fn(),
  seek: vi.fn(),
  setTrim: vi.fn(),
  ready: true,
  progress: 1,
}))
vi.mock('../../engine/player-store', () => ({ usePlayer: () => player }))

const calls = vi.hoisted(() => ({ put: vi.fn(), post: vi.fn(), remove: vi.fn(), get: vi.fn() }))
serveWith({ ...calls })

const stored = new Map<string, string>()
vi.mock('../../api/session-store', () => ({ useSession: () => ({ person: { id: 't1' } }) }))
vi.stubGlobal('localStorage', {
  getItem: (key: string) => stored.get(key) ?? null,
  setItem: (key: string, text: string) => stored.set(key, text),
  removeItem: (key: string) => stored.delete(key),
})
vi.mock('../../engine/measure-once', () => ({ measureOnce: async () => -18 }))

const mix = plainMix(song)
const start = { ...mix, main: { level: -3 } }
const assignment = {
  id: 'a',
  songDocument: song,
  startingMix: start,
  brief: {
    purpose: '',
    tasks: [{ id: 't', title: '', text: '', lanes: ['track/reed/level'], from: 0, to: 960 }],
    open: [],
  },
  rubric: { levels: ['not yet', 'there'], criteria: [] },
}
const queue = [
  {
    id: 'h1',
    number: 1,
    state: 'waiting',
    outcome: null,
    handedInAt: '',
    student: 'Anna',
    newest: true,
    seenAt: null,
    sameAs: [],
  },
  {
    id: 'h2',
    number: 2,
    state: 'waiting',
    outcome: null,
    handedInAt: '',
    student: 'Ben',
    newest: true,
    seenAt: null,
    sameAs: [],
  },
  {
    id: 'h0',
    number: 1,
    state: 'given back',
    outcome: 'again',
    handedInAt: '',
    student: 'Ben',
    newest: false,
    seenAt: null,
    sameAs: [],
  },
]
const handIn = (id: string) => ({
  id,
  workId: 'w',
  number: 1,
  state: 'waiting',
  document: { mix, notes: [] },
  measurement: null,
  outcome: null,
  handedInAt: '',
  givenBackAt: null,
  assignment: 'a',
  student: 'Anna',
  before: null,
  versions: [{ id, number: 1 }],
  openedAt: null,
  review: { marks: { fades: 1 }, comment: 'Old.', overrules: {}, revision: 3, reviewer: null, remarks: [] },
})

async function desk() {
  const review = useReview()
  await review.open('a')
  await review.lay('h1')
  return review
}

beforeEach(() => {
  stored.clear()
  vi.useFakeTimers()
  setActivePinia(createPinia())
  for (const call of Object.values(calls)) call.mockReset()
  calls.get.mockImplementation(async (path: string) => {
    if (path.endsWith('/hand-ins')) return queue
    return path.includes('/assignments/') ? assignment : handIn(path.split('/').at(-1)!)
  })
  calls.put.mockImplementation(async (_: string, body: { revision?: number }) => ({
    ...body,
    revision: (body.revision ?? 0) + 1,
    id: 'r1',
  }))
  calls.post.mockImplementation(async (_: string, body: object) => ({ id: 'r1', ...body }))
  player.load.mockClear()
})
afterEach(() => void vi.useRealTimers())

describe('the desk', () => {
  it('has a track to look at where the brief is about no line', async () => {
    calls.get.mockImplementation((path: string) =>
      path.endsWith('/hand-ins')
        ? []
        : {
            ...assignment,
            brief: { ...assignment.brief, tasks: [{ ...assignment.brief.tasks[0]!, lanes: [] }] },
          },
    )
    const review = useReview()
    await review.open('a')
    expect(review.address).toBe('track/reed/level')
  })

  it('parts the queue into what waits and the newest that was given back', async () => {
    const review = await desk()
    expect(review.waiting.map((q) => q.id)).toEqual(['h1', 'h2'])
    expect(review.done).toEqual([])
    expect(review.address).toBe('track/reed/level')
    expect(player.load).toHaveBeenCalledWith(mix)
  })

  it('saves marks and comment shortly after, against the revision they follow', async () => {
    const review = await desk()
    review.mark('fades', 0)
    review.write('Better')
    review.write('Better!')
    await vi.advanceTimersByTimeAsync(500)
    expect(calls.put).toHaveBeenCalledTimes(1)
    expect(calls.put).toHaveBeenCalledWith('/api/hand-ins/h1/review', {
      marks: { fades: 0 },
      comment: 'Better!',
      overrules: {},
      revision: 3,
    })
    review.mark('fades', 0)
    await vi.advanceTimersByTimeAsync(500)
    expect(calls.put.mock.calls[1]![1]).toEqual({
      marks: {},
      comment: 'Better!',
      overrules: {},
      revision: 4,
    })
    expect(review.saveState).toBe('saved')
  })

  it('keeps the teacher’s word against what was computed, and takes it back', async () => {
    const review = await desk()
    review.overrule('check:a', { verdict: 'met', why: '' })
    review.overrule('check:a', { verdict: 'met', why: 'I hear it.' })
    await vi.advanceTimersByTimeAsync(500)
    expect(calls.put.mock.calls.at(-1)![1]).toMatchObject({
      overrules: { 'check:a': { verdict: 'met', why: 'I hear it.' } },
    })
    review.overrule('check:a', null)
    await vi.advanceTimersByTimeAsync(500)
    expect(calls.put.mock.calls.at(-1)![1]).toMatchObject({ overrules: {} })
  })

  it('overrules a proposed mark with one press, and drops the reason with the mark', async () => {
    const finding = { verdict: 'met', says: { key: 'check.dip.met', parts: {} }, figures: [] }
    const place = { lane: null, from: 0, to: 960 }
    const check = { check: 'c', kind: 'dip', name: 'Dip', finding: { ...finding, place } }
    const assessment = {
      version: 2,
      tasks: [{ task: 't', checks: [check], verdict: 'met' }],
      before: [],
      mistakes: [],
    }
    const criteria = [{ id: 'fades', name: 'Fades', about: '', aspect: 'moves', says: [] }]
    const rubric = { levels: ['not yet', 'nearly', 'there', 'beyond'], criteria }
    calls.get.mockImplementation(async (path: string) => {
      if (path.endsWith('/hand-ins')) return queue
      return path.includes('/assignments/') ? { ...assignment, rubric } : { ...handIn('h1'), assessment }
    })
    const review = await desk()
    expect(review.proposals['fades']?.level).toBe(2)
    review.mark('fades', 2)
    expect(review.isOtherMark('fades')).toBe(false)
    review.overruleMark()
    expect([review.marks['fades'], review.isOtherMark('fades')]).toEqual([3, true])
    review.overrule('mark:fades', { verdict: null, why: 'I would buy it.' })
    await vi.advanceTimersByTimeAsync(500)
    expect(calls.put.mock.calls.at(-1)![1]).toMatchObject({
      marks: { fades: 3 },
      overrules: { 'mark:fades': { verdict: null, why: 'I would buy it.' } },
    })
    // nothing is left to overrule
    review.overruleMark()
    expect(review.marks['fades']).toBe(3)
    review.mark('fades', 2)
    expect(review.overrules).toEqual({})
  })

  it('keeps what could not be saved and says why', async () => {
    const review = await desk()
    calls.put.mockRejectedValueOnce(new ApiError(409, 'not-now', 'Somebody else has changed this review.'))
    review.write('Mine')
    await vi.advanceTimersByTimeAsync(500)
    expect([review.saveState, review.comment, review.notice]).toEqual([
      'not saved',
      'Mine',
      'Somebody else has changed this review.',
    ])
    expect(await review.giveBack('again', false)).toBe('h2')
  })

  it('saves one after the other, each following the one before', async () => {
    const review = await desk()
    let answer: (value: { revision: number }) => void = () => undefined
    calls.put.mockImplementationOnce(() => new Promise((resolve) => (answer = resolve)))
    review.write('First')
    await vi.advanceTimersByTimeAsync(500)
    review.write('First and second')
    const flushed = review.flush()
    await vi.advanceTimersByTimeAsync(10)
    expect(calls.put).toHaveBeenCalledTimes(1)
    answer({ revision: 4 })
    expect(await flushed).toBe(true)
    expect(calls.put.mock.calls.map(([, body]) => (body as { revision: number }).revision)).toEqual([3, 4])
  })

  it('gives nothing back where the review could not be saved', async () => {
    const review = await desk()
    calls.put.mockRejectedValue(new ApiError(409, 'not-now', 'Somebody else has changed this review.'))
    review.write('Mine')
    await expect(review.giveBack('accepted', false)).rejects.toThrow('Somebody else')
    expect(calls.post).not.toHaveBeenCalledWith('/api/hand-ins/h1/give-back', expect.anything())
    expect(review.handIn).toMatchObject({ state: 'waiting' })
  })

  it('pins, changes and removes remarks, in order of place', async () => {
    const review = await desk()
    await review.addRemark({ lane: 'track/reed/level', from: 3840, to: 7680 }, { text: 'Later' })
    calls.post.mockImplementationOnce(async (_: string, body: object) => ({ id: 'r0', ...body }))
    await review.addRemark({ lane: 'track/reed/level', from: 0, to: 960 }, { text: 'First' })
    expect(review.remarks.map((r) => r.text)).toEqual(['First', 'Later'])
    await review.changeRemark(review.remarks[1]!, 'Latest')
    expect(review.remarks[1]!.text).toBe('Latest')
    await review.removeRemark('r0')
    expect(review.remarks.map((r) => r.id)).toEqual(['r1'])
    review.showRemark(review.remarks[0]!.id)
    expect([review.pinned, player.seek.mock.calls.at(-1)]).toEqual(['r1', [3840]])
  })

  it('saves before it gives back, and names the next that waits', async () => {
    const review = await desk()
    review.write('Last words')
    expect(await review.giveBack('accepted', false)).toBe('h2')
    expect(calls.put).toHaveBeenCalledOnce()
    expect(calls.post).toHaveBeenCalledWith('/api/hand-ins/h1/give-back', {
      outcome: 'accepted',
      hold: false,
    })
    expect(review.handIn).toMatchObject({ state: 'given back', outcome: 'accepted' })
  })

  it('holds what is decided, gives all of it back, and takes one back', async () => {
    const review = await desk()
    await review.giveBack('again', true)
    expect(review.handIn).toMatchObject({ state: 'held', outcome: 'again' })
    calls.post.mockResolvedValueOnce({ count: 3 })
    const at = new Date('2030-01-01T18:00:00Z')
    expect(await review.giveBackHeld(at)).toBe(3)
    expect(calls.post).toHaveBeenCalledWith('/api/assignments/a/give-back', { at: at.toISOString() })
    await review.takeBack()
    expect(review.handIn).toMatchObject({ state: 'waiting', outcome: null })
  })

  it('knows when nothing has been said', async () => {
    const review = await desk()
    expect(review.isUnsaid).toBe(false)
    review.mark('fades', 1)
    review.write(' ')
    expect(review.isUnsaid).toBe(true)
    await review.addRemark({ lane: null, from: 0, to: 960 }, { text: 'Good' })
    expect(review.isUnsaid).toBe(false)
  })

  it('keeps a remark that is being written, and a review that could not be sent, on this machine', async () => {
    const review = await desk()
    review.writeDraft('Half a sen', 'Fade in')
    calls.put.mockRejectedValue(new Unreachable())
    review.write('On the way')
    await vi.advanceTimersByTimeAsync(500)
    expect(review.saveState).toBe('not saved')

    // the page is opened again
    setActivePinia(createPinia())
    calls.put.mockImplementation(async () => ({ revision: 4 }))
    const again = await desk()
    expect([again.draft, again.subject, again.comment]).toEqual(['Half a sen', 'Fade in', 'On the way'])
    await vi.advanceTimersByTimeAsync(500)
    expect(again.saveState).toBe('saved')
    expect([...stored.keys()]).toEqual(['rudlo-unsent-t1-remark-h1'])
    await again.addRemark({ lane: null, from: 0, to: 960 }, { text: again.draft })
    expect([again.draft, stored.size]).toEqual(['', 0])
  })

  it('tries again by itself until the server is back', async () => {
    const review = await desk()
    calls.put.mockRejectedValueOnce(new Unreachable())
    review.write('Still here')
    await vi.advanceTimersByTimeAsync(500)
    expect(review.saveState).toBe('not saved')
    await vi.advanceTimersByTimeAsync(5000)
    expect(review.saveState).toBe('saved')
  })
})

describe('versions', () => {
  it('are heard in place of each other, at one loudness, and under hidden names', async () => {
    const review = await desk()
    const versions = useVersions()
    expect(versions.choices.map((c) => c.key)).toEqual(['this', 'start'])
    versions.hear('start')
    expect(player.load).toHaveBeenLastCalledWith(start)
    versions.hear('nonsense')
    expect(versions.heard).toBe('start')

    review.handIn = {
      ...review.handIn!,
      measurement: { integrated: -14 } as never,
      assessment: { start: { integrated: -20, balance: [] } } as never,
    }
    versions.setMatched(true)
    versions.hear('this')
    expect(player.setTrim).toHaveBeenLastCalledWith(-6)
    versions.hear('start')
    expect(player.setTrim.mock.calls.at(-1)![0]).toBeCloseTo(0)
    versions.setMatched(false)
    expect(player.setTrim.mock.calls.at(-1)![0]).toBeCloseTo(0)

    versions.setBlind(true)
    expect(versions.choices.map((c) => c.name)).toEqual(['One', 'Two'])
    expect(versions.choices.map((c) => c.key).sort()).toEqual(['start', 'this'])
    versions.setBlind(false)
    expect(versions.choices.map((c) => c.name)).toEqual(['this version', 'starting mix'])
  })
})
