import { point, type LineSpan } from '@rudlo/core/envelope'
import { envelopeOf, plainMix, trackLevel, withPoints, type Mix } from '@rudlo/core/mix'
import { songTime } from '@rudlo/core/song'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { markRaw, nextTick, reactive, shallowReactive } from 'vue'
import { shortSong as song } from '../../../test/short-song'
import type { Step } from '../../document/history'
import { useShape } from './shape-store'

const LEVEL = trackLevel(song.tracks[0]!.id)
const flat = withPoints(plainMix(song), LEVEL, [point(0, -6)], () => 'l')

type Change = { label: string; lanes: readonly string[]; from: number; to: number }
const stepOf = (before: Mix, after: Mix, change: Change): Step => ({
  ...change,
  before: { mix: before, notes: [] },
  after: { mix: after, notes: [] },
})

const work = shallowReactive({
  mix: flat as Mix,
  notice: null as string | null,
  history: { done: [] as Step[] },
  setMix: (make: (mix: Mix) => Mix, change: Change) => {
    const step = stepOf(work.mix, make(work.mix), change)
    work.mix = step.after.mix
    work.history = { done: [...work.history.done, step] }
    return step
  },
  amend: (old: Step, make: (mix: Mix) => Mix, change: Change) => {
    if (work.history.done.at(-1) !== old) return null
    const step = stepOf(old.before.mix, make(old.before.mix), change)
    work.mix = step.after.mix
    work.history = { done: [...work.history.done.slice(0, -1), step] }
    return step
  },
})
vi.mock('../../document/work-store', () => ({ useWork: () => work }))

const desk = reactive({
  address: LEVEL,
  hand: 'bars',
  selection: { from: 3840, to: 7680 } as LineSpan | null,
  time: markRaw(songTime(song)),
  open: true,
  isOpen: () => desk.open,
})
vi.mock('../desk-store', () => ({ useDesk: () => desk }))

const points = () => envelopeOf(work.mix, LEVEL)!.points.length

beforeEach(() => {
  setActivePinia(createPinia())
  Object.assign(work, { mix: flat, notice: null, history: { done: [] } })
  Object.assign(desk, { selection: { from: 3840, to: 7680 }, open: true })
})

describe('a ready shape', () => {
  it('is one step, however often it is changed', () => {
    const shape = useShape()
    shape.start()
    shape.lay('wave')
    const once = points()
    shape.change({ cycles: 4 })
    shape.change({ depth: -0.4 })
    expect(work.history.done).toHaveLength(1)
    expect(points()).toBeGreaterThan(once)
    expect(work.history.done[0]!.before.mix).toBe(flat)
    expect(work.history.done[0]!.label).toBe('Wave over bars')
  })

  it('begins where the line is, and counts in beats', () => {
    const shape = useShape()
    shape.start()
    expect(shape.shape.centre).toBeCloseTo(0.6, 1)
    expect(shape.beats).toBe(4)
    shape.lay('pulse')
    expect(shape.lengths).toEqual({ first: 4, last: 4 })
    // of one length until one of them is given another
    shape.setLength('first', 1)
    expect(shape.shape).toMatchObject({ cycles: 4, pace: 1 })
    shape.setLength('last', 0.25)
    expect(shape.shape.pace).toBeGreaterThan(2)
    expect(shape.lengths.first / shape.lengths.last).toBeCloseTo(4, 1)
    shape.setLength('first', 1)
    expect(shape.lengths.first / shape.lengths.last).toBeCloseTo(4, 1)
  })

  it('is finished when something else is done, is undone or selected', async () => {
    const shape = useShape()
    shape.start()
    shape.lay('pulse')
    work.setMix((mix) => mix, { label: 'Something else', lanes: [], from: 0, to: 0 })
    await nextTick()
    expect([shape.open, shape.laid]).toEqual([false, null])

    shape.start()
    shape.lay('saw')
    await nextTick()
    work.history = { done: work.history.done.slice(0, -1) }
    await nextTick()
    expect(shape.laid).toBeNull()

    shape.start()
    desk.selection = { from: 0, to: 3840 }
    await nextTick()
    expect(shape.open).toBe(false)
  })

  it('is not laid on a locked lane', () => {
    const shape = useShape()
    desk.open = false
    shape.start()
    shape.lay('swell')
    expect(work.history.done).toEqual([])
    expect(work.notice).toContain('locked')
  })
})
