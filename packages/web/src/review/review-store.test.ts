import { plainMix } from '@rudlo/core/mix'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { shortSong as song } from '../../test/short-song'
import type * as Api from '../server/api'
import { ApiError } from '../server/api'
import { useReview } from './review-store'

const player = vi.hoisted(() => ({ load: vi.fn(), open: vi.fn(), seek: vi.fn(), ready: true, progress: 1 }))
vi.mock('../audio/player-store', () => ({ usePlayer: () => player }))

const calls = vi.hoisted(() => ({ put: vi.fn(), post: vi.fn(), remove: vi.fn(), get: vi.fn() }))
vi.mock('../server/api', async (original) => ({
  ...(await original<typeof Api>()),
  ...calls,
}))

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
  { id: 'h1', number: 1, state: 'waiting', outcome: null, handedInAt: '', student: 'Anna', newest: '1' },
  { id: 'h2', number: 2, state: 'waiting', outcome: null, handedInAt: '', student: 'Ben', newest: 1 },
  { id: 'h0', number: 1, state: 'given back', outcome: 'again', handedInAt: '', student: 'Ben', newest: 0 },
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
  review: { marks: { fades: 1 }, comment: 'Old.', revision: 3, reviewer: null, remarks: [] },
})

async function desk() {
  const review = useReview()
  await review.open('a')
  await review.lay('h1')
  return review
}

beforeEach(() => {
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
      revision: 3,
    })
    review.mark('fades', 0)
    await vi.advanceTimersByTimeAsync(500)
    expect(calls.put.mock.calls[1]![1]).toEqual({ marks: {}, comment: 'Better!', revision: 4 })
    expect(review.saveState).toBe('saved')
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
    expect(await review.giveBack('again')).toBe('h2')
  })

  it('gives nothing back where the review could not be saved', async () => {
    const review = await desk()
    calls.put.mockRejectedValue(new ApiError(409, 'not-now', 'Somebody else has changed this review.'))
    review.write('Mine')
    await expect(review.giveBack('accepted')).rejects.toThrow('Somebody else')
    expect(calls.post).not.toHaveBeenCalled()
    expect(review.handIn).toMatchObject({ state: 'waiting' })
  })

  it('pins, changes and removes remarks, in order of place', async () => {
    const review = await desk()
    await review.addRemark({ lane: 'track/reed/level', from: 3840, to: 7680 }, 'Later')
    calls.post.mockImplementationOnce(async (_: string, body: object) => ({ id: 'r0', ...body }))
    await review.addRemark({ lane: 'track/reed/level', from: 0, to: 960 }, 'First')
    expect(review.remarks.map((r) => r.text)).toEqual(['First', 'Later'])
    await review.changeRemark(review.remarks[1]!, 'Latest')
    expect(review.remarks[1]!.text).toBe('Latest')
    await review.removeRemark('r0')
    expect(review.remarks.map((r) => r.id)).toEqual(['r1'])
    review.showRemark(review.remarks[0]!)
    expect([review.pinned, player.seek.mock.calls.at(-1)]).toEqual(['r1', [3840]])
  })

  it('saves before it gives back, and names the next that waits', async () => {
    const review = await desk()
    review.write('Last words')
    expect(await review.giveBack('accepted')).toBe('h2')
    expect(calls.put).toHaveBeenCalledOnce()
    expect(calls.post).toHaveBeenCalledWith('/api/hand-ins/h1/give-back', { outcome: 'accepted' })
    expect(review.handIn).toMatchObject({ state: 'given back', outcome: 'accepted' })
  })

  it('lets the starting mix be heard in its place', async () => {
    const review = await desk()
    review.hear('start')
    expect(player.load).toHaveBeenLastCalledWith(start)
    review.hear('before')
    expect(player.load).toHaveBeenLastCalledWith(mix)
  })
})
