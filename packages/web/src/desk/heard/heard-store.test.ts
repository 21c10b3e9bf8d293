import { point } from '@rudlo/core/envelope'
import { plainMix, trackLevel, withPoints, type Mix } from '@rudlo/core/mix'
import { songTime } from '@rudlo/core/song'
import { createPinia, disposePinia, setActivePinia, type Pinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { nextTick, shallowReactive } from 'vue'
import { shortSong as song } from '../../../test/short-song'
import { useHeard } from './heard-store'

const BAR = 3840
const LEVEL = trackLevel(song.tracks[0]!.id)
const faded = (to: number) =>
  withPoints(plainMix(song), LEVEL, [point(0, 0), point(BAR, 0), point(to, -90)], () => 'l')

const work = shallowReactive({ mix: null as Mix | null, assignment: 'a' })
const desk = shallowReactive({
  view: 'lines',
  song,
  time: songTime(song),
  address: LEVEL,
  taskId: 't',
  task: null as object | null,
})
const host = { fade: vi.fn(), build: vi.fn() }
const guide = shallowReactive({ answers: 'asked', hostFor: () => host })
vi.mock('../../document/work-store', () => ({ useWork: () => work }))
vi.mock('../desk-store', () => ({ useDesk: () => desk }))
vi.mock('../guide/guide-store', () => ({ useGuide: () => guide }))

const task = (checks: readonly object[] = []) => ({ id: 't', lanes: [LEVEL], from: 0, to: 3 * BAR, checks })

let pinia: Pinia

beforeEach(() => {
  vi.useFakeTimers()
  pinia = createPinia()
  setActivePinia(pinia)
  host.fade.mockReset().mockImplementation(async (_, move: { start: number }) => ({ start: move.start }))
  host.build.mockReset().mockResolvedValue({ bars: [] })
  Object.assign(work, { mix: faded(2 * BAR) })
  Object.assign(desk, { view: 'lines', task: task() })
  guide.answers = 'asked'
})
afterEach(() => {
  disposePinia(pinia)
  vi.useRealTimers()
})

const settle = async () => {
  await nextTick()
  await vi.advanceTimersByTimeAsync(1000)
}

describe('what is heard of a task', () => {
  it('is made when somebody looks, and not before', async () => {
    const heard = useHeard()
    await settle()
    expect(host.fade).not.toHaveBeenCalled()
    desk.view = 'heard'
    await settle()
    expect(heard.fades.map((f) => f.lane)).toEqual([LEVEL])
    expect([heard.build, heard.busy, host.build.mock.calls.length]).toEqual([null, false, 0])
  })

  it('follows the hand when it rests, once', async () => {
    useHeard()
    desk.view = 'heard'
    await settle()
    work.mix = faded(3 * BAR)
    await nextTick()
    work.mix = faded(2.5 * BAR)
    await settle()
    expect(host.fade).toHaveBeenCalledTimes(2)
    expect(host.fade.mock.lastCall![1]).toMatchObject({ end: 2.5 * BAR })
  })

  it('is the build that the task asks for, too', async () => {
    const heard = useHeard()
    desk.task = task([{ kind: 'build', values: { from: 0, to: 2 * BAR } }])
    desk.view = 'heard'
    await settle()
    expect(host.build.mock.lastCall![1]).toEqual({ from: 0, to: 2 * BAR })
    expect(heard.build).toEqual({ bars: [] })
  })

  it('is not told before the hand-in where the brief says so, and what went wrong is', async () => {
    guide.answers = 'handed in'
    const heard = useHeard()
    desk.view = 'heard'
    await settle()
    expect([heard.allowed, host.fade.mock.calls.length]).toEqual([false, 0])
    host.fade.mockRejectedValueOnce(new Error('A part of the program stopped.'))
    guide.answers = 'asked'
    await settle()
    expect([heard.problem, heard.fades]).toEqual(['A part of the program stopped.', []])
  })
})
