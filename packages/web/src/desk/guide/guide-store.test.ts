import { serveWith } from '../../../test/fake-server'
import type { StudentBrief } from '@rudlo/core/brief'
import { point } from '@rudlo/core/envelope'
import { emptyPart, type Heard } from '@rudlo/core/heard'
import { plainMix, trackLevel, withPoints, type Mix } from '@rudlo/core/mix'
import { songTime } from '@rudlo/core/song'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { nextTick, reactive, shallowReactive } from 'vue'
import { shortSong } from '../../../test/short-song'
import { useGuide } from './guide-store'

/** Sixteen bars. */
const song = { ...shortSong, length: 16 * 3840 }
const LEVEL = trackLevel(song.tracks[0]!.id)
const time = songTime(song)
const start = plainMix(song)
const drifting = withPoints(start, LEVEL, [point(0, -3), point(song.length, -14)], () => 'l')

const brief = (answers: StudentBrief['answers']): StudentBrief => ({
  purpose: '',
  open: [LEVEL],
  answers,
  hintsAfter: 1,
  repairs: true,
  tasks: [
    {
      id: 'task',
      title: 'Move',
      text: '',
      lanes: [LEVEL],
      from: 0,
      to: song.length,
      weight: 1,
      hints: 2,
      checks: [
        {
          id: 'c',
          kind: 'position',
          values: { lane: LEVEL, from: song.length, value: start.tracks[0]!.level, tolerance: 1 },
        },
      ],
    },
  ],
})

/** A check that cannot answer by the lines alone. */
const HEARD = {
  id: 'h',
  kind: 'loudness',
  values: { from: 0, to: song.length, target: -20, tolerance: 1 },
} as const

const player = reactive({
  playing: false,
  moves: true,
  ready: false,
  position: 0,
  seek: vi.fn(),
  play: vi.fn(),
})
vi.mock('../../engine/player-store', () => ({ usePlayer: () => player }))

const desk = shallowReactive({
  song,
  time,
  taskId: 'task',
  task: null as StudentBrief['tasks'][number] | null,
  given: null as { brief: StudentBrief; startingMix: Mix } | null,
  showPlace: vi.fn(),
  hinted: null as { lane: string } | null,
})
vi.mock('../desk-store', () => ({ useDesk: () => desk }))

const work = shallowReactive({
  id: 'work',
  assignment: 'one',
  mix: start as Mix | null,
  notice: null as string | null,
  history: { done: [] },
  heard: null as string | null,
  notes: [],
  hear: vi.fn(),
  setMix: vi.fn((make: (mix: Mix) => Mix) => void (work.mix = make(work.mix!))),
})
vi.mock('../../document/work-store', () => ({ useWork: () => work }))

let opened: { task: string; level: number }[] = []
let asked: { task: string; tries: number }[] = []
const post = vi.fn((_: string, body: { task: string; level: number }) =>
  Promise.resolve({ ...body, text: `hint ${body.level}` }),
)
serveWith({
  get: (path: string) => Promise.resolve(path.endsWith('/asked') ? asked : opened),
  post: (path: string, body: { task: string; level: number }) => post(path, body),
})

const heard: Heard = {
  hops: 10,
  mix: emptyPart(10),
  still: emptyPart(10),
  peaks: new Float64Array(10).fill(-20),
  tracks: {},
  shares: {},
  entries: {},
}
const hear = vi.fn(() => Promise.resolve(heard))
vi.mock('./hear-host', () => ({
  HearHost: class {
    hear = hear
    close = () => undefined
  },
}))

function open(answers: StudentBrief['answers'], mix: Mix = start) {
  desk.given = { brief: brief(answers), startingMix: start }
  desk.task = desk.given.brief.tasks[0]!
  work.mix = mix
  return useGuide()
}

beforeEach(() => {
  setActivePinia(createPinia())
  Object.assign(player, { playing: false, position: 0, ready: false })
  Object.assign(work, { notice: null, mix: start })
  desk.taskId = 'task'
  opened = []
  asked = []
  vi.clearAllMocks()
})

describe('what the checks say', () => {
  it('is nothing before it is asked for, and is dimmed once the work goes on', async () => {
    const guide = open('asked')
    expect(guide.judged.size).toBe(0)
    await guide.ask()
    expect(guide.judged.get('task')!.verdict).toBe('met')
    expect(guide.before.get('task')!.verdict).toBe('met')
    expect(guide.stale).toBe(false)
    work.mix = drifting
    expect(guide.stale).toBe(true)
    await guide.ask()
    expect(guide.judged.get('task')!.verdict).toBe('not yet')
  })

  it('comes after the bars were played, and not before', async () => {
    const guide = open('played', drifting)
    player.playing = true
    for (let tick = 0; tick < song.length * 0.5; tick += 400) {
      player.position = tick
      await nextTick()
    }
    expect(hear).not.toHaveBeenCalled()
    for (let tick = song.length * 0.5; tick < song.length; tick += 400) {
      player.position = tick
      await nextTick()
    }
    await vi.waitFor(() => expect(guide.judged.get('task')?.verdict).toBe('not yet'))
    expect(guide.mayHint('task')).toBe(true)
  })

  it('comes while drawing, by the lines at once and by the sound a little later', async () => {
    vi.useFakeTimers()
    const guide = open('drawing')
    work.mix = drifting
    await nextTick()
    await vi.advanceTimersByTimeAsync(200)
    expect(guide.judged.get('task')!.verdict).toBe('not yet')
    expect(hear).not.toHaveBeenCalled()
    await vi.advanceTimersByTimeAsync(1500)
    expect(hear).toHaveBeenCalled()
    vi.useRealTimers()
  })

  it('comes while drawing also where another task is looked at meanwhile', async () => {
    vi.useFakeTimers()
    open('drawing')
    work.mix = drifting
    await nextTick()
    await vi.advanceTimersByTimeAsync(100)
    desk.taskId = 'another'
    await nextTick()
    await vi.advanceTimersByTimeAsync(1700)
    expect(hear).toHaveBeenCalled()
    vi.useRealTimers()
  })

  it('is prepared for once the work was changed, and not for whoever only looks', async () => {
    vi.useFakeTimers()
    player.ready = true
    const { tasks } = brief('asked')
    desk.given = {
      brief: { ...brief('asked'), tasks: [{ ...tasks[0]!, checks: [HEARD] }] },
      startingMix: start,
    }
    useGuide()
    await vi.advanceTimersByTimeAsync(10_000)
    expect(hear).not.toHaveBeenCalled()
    work.mix = drifting
    await nextTick()
    await vi.advanceTimersByTimeAsync(10_000)
    expect(hear.mock.calls).toEqual([[start, false]])
    vi.useRealTimers()
  })

  it('is nothing at all where it may answer after the hand-in only', async () => {
    const guide = open('handed in')
    work.mix = drifting
    await nextTick()
    expect([guide.judged.size, guide.notes.length]).toEqual([0, 0])
  })
})

describe('mistakes', () => {
  it('are shown, a repair is tried and taken as one step, and they can be put away', async () => {
    const guide = open('asked', drifting)
    await guide.ask()
    expect(guide.notes.map((m) => m.kind)).toContain('drift')
    const drift = guide.notes.find((m) => m.kind === 'drift')!
    guide.repair(drift)
    // it lies beside the line, and nothing is done yet
    expect(work.setMix).not.toHaveBeenCalled()
    expect(guide.trying.tried?.mistake).toBe(drift)
    expect(desk.hinted).toMatchObject({ lane: drift.place.lane })
    guide.trying.leave()
    expect([guide.trying.tried, desk.hinted]).toEqual([null, null])
    guide.repair(drift)
    guide.takeRepair()
    expect(work.setMix).toHaveBeenCalledOnce()
    expect(work.mix!.envelopes[0]!.points).toHaveLength(3)
    expect(desk.showPlace).toHaveBeenCalledWith(drift.place)
    await guide.ask()
    for (const note of [...guide.notes]) guide.dismiss(note)
    expect(guide.notes).toEqual([])
  })

  it('that are gone meanwhile say so', async () => {
    const guide = open('asked', drifting)
    await guide.ask()
    work.mix = start
    guide.repair(guide.mistakes.find((m) => m.kind === 'drift')!)
    expect(work.setMix).not.toHaveBeenCalled()
    expect(work.notice).toContain('nothing left to repair')
  })
})

describe('hints', () => {
  it('open one after the other, after the tries that the teacher wants', async () => {
    const guide = open('asked')
    expect(guide.mayHint('task')).toBe(false)
    await guide.ask()
    expect(guide.mayHint('task')).toBe(true)
    await guide.openHint('task')
    await guide.openHint('task')
    expect(guide.hintsOf('task').map((h) => h.text)).toEqual(['hint 0', 'hint 1'])
  })

  it('know of tries that were made before, and tell the server of each', async () => {
    asked = [{ task: 'task', tries: 1 }]
    const guide = open('asked')
    await vi.waitFor(() => expect(guide.mayHint('task')).toBe(true))
    await guide.ask()
    expect(post).toHaveBeenCalledWith(expect.stringMatching(/\/asked$/), { task: 'task' })
  })

  it('that were opened before are open again', async () => {
    opened = [{ task: 'task', level: 0 }]
    const guide = open('asked')
    await vi.waitFor(() => expect(guide.hintsOf('task')).toHaveLength(1))
  })
})
