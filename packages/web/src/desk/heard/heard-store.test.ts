import { point } from '@rudlo/core/envelope'
import type { PictureAsked } from '@rudlo/core/heard'
import { plainMix, trackLevel, withPoints, type Mix } from '@rudlo/core/mix'
import { songTime } from '@rudlo/core/song'
import { createPinia, disposePinia, setActivePinia, type Pinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { nextTick, shallowReactive } from 'vue'
import { shortSong as song } from '../../../test/short-song'
import { useHeard } from './heard-store'

const BAR = 3840
const LEVEL = trackLevel(song.tracks[0]!.id)
const start = plainMix(song)
const faded = (to: number) =>
  withPoints(start, LEVEL, [point(0, 0), point(BAR, 0), point(to, -90)], () => 'l')

const work = shallowReactive({
  mix: null as Mix | null,
  assignment: 'a',
  history: { done: [] as object[], undone: [] },
  tries: [] as object[],
  versions: [] as object[],
})
const desk = shallowReactive({
  view: 'lines',
  song,
  time: songTime(song),
  given: { startingMix: start },
  address: LEVEL,
  taskId: 't',
  task: null as object | null,
})
const picture = vi.fn()
const guide = shallowReactive({ answers: 'asked', hostFor: () => ({ picture }) })
vi.mock('../../document/work-store', () => ({ useWork: () => work }))
vi.mock('../desk-store', () => ({ useDesk: () => desk }))
vi.mock('../guide/guide-store', () => ({ useGuide: () => guide }))

const task = (checks: readonly object[] = []) => ({ id: 't', lanes: [LEVEL], from: 0, to: 3 * BAR, checks })

let pinia: Pinia

beforeEach(() => {
  vi.useFakeTimers()
  pinia = createPinia()
  setActivePinia(pinia)
  picture
    .mockReset()
    .mockImplementation(async (_: Mix, asked: PictureAsked) =>
      asked.kind === 'fade'
        ? { kind: 'fade', lane: asked.fade.lane, fade: { start: asked.fade.start, end: asked.fade.end } }
        : { kind: asked.kind, build: {} },
    )
  Object.assign(work, { mix: faded(2 * BAR), history: { done: [], undone: [] }, tries: [], versions: [] })
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
    expect(picture).not.toHaveBeenCalled()
    desk.view = 'heard'
    await settle()
    expect(heard.shown.map((s) => s.picture)).toMatchObject([{ kind: 'fade', lane: LEVEL }])
    expect([heard.busy, picture.mock.calls.length]).toEqual([false, 1])
  })

  it('follows the hand at once where nothing has to be played for it', async () => {
    useHeard()
    desk.view = 'heard'
    await settle()
    work.mix = faded(3 * BAR)
    await nextTick()
    expect(picture.mock.lastCall![1]).toMatchObject({ fade: { end: 3 * BAR } })
  })

  it('waits until the hand rests where it has to be played', async () => {
    useHeard()
    desk.view = 'heard'
    desk.task = task([{ kind: 'build', values: { from: 0, to: 2 * BAR } }])
    await settle()
    expect(picture.mock.lastCall![1]).toMatchObject({ kind: 'build', from: 0, to: 2 * BAR })
    const asked = picture.mock.calls.length
    work.mix = faded(1.5 * BAR)
    await nextTick()
    work.mix = faded(1.75 * BAR)
    await nextTick()
    expect(picture.mock.calls.length).toBe(asked)
    await settle()
    expect(picture.mock.calls.length).toBe(asked + 1)
  })

  it('lies beside the same of the starting mix, a version, a try, or before the last step', async () => {
    const before = { mix: faded(2.5 * BAR) }
    Object.assign(work, {
      history: { done: [{ before }], undone: [] },
      tries: [{ id: 'try', name: 'Softer', document: before }],
      versions: [{ id: 'v', number: 1, document: before }],
    })
    const heard = useHeard()
    desk.view = 'heard'
    await settle()
    expect(heard.choices.map((c) => c.key)).toEqual(['before', 'try', 'v', 'start'])
    heard.compared = 'v'
    await settle()
    expect(heard.shown[0]!.beside).toMatchObject({ name: 'version 1', picture: { fade: { end: 2.5 * BAR } } })
    // nothing fades in the starting mix
    heard.compared = 'start'
    await settle()
    expect(heard.shown[0]!.beside).toEqual({ name: 'starting mix', picture: null })
  })

  it('is not told before the hand-in where the brief says so, and what went wrong is', async () => {
    guide.answers = 'handed in'
    const heard = useHeard()
    desk.view = 'heard'
    await settle()
    expect([heard.allowed, picture.mock.calls.length]).toEqual([false, 0])
    picture.mockRejectedValueOnce(new Error('A part of the program stopped.'))
    guide.answers = 'asked'
    await settle()
    expect([heard.problem, heard.shown]).toEqual(['A part of the program stopped.', []])
  })
})
