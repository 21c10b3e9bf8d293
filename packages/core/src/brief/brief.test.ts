import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { barTick as at, meantMoves } from '../../test/drawn/moves'
import { song, start } from '../../test/drawn/mistakes'
import { evidenceOf } from '../evidence'
import { CHECK_KINDS } from '../checks'
import { point } from '../envelope'
import { withPoints } from '../mix'
import { levelScale } from '../scale'
import {
  completeBrief,
  forStudent,
  hintLine,
  judgeTasks,
  LESSONS,
  readBrief,
  tasksFromModel,
  type Brief,
  type BriefTask,
} from '.'

const REED = 'track/reed/level'
const counter = () => {
  let n = 0
  return () => `id-${++n}`
}

const task: BriefTask = {
  id: 'dip',
  title: 'Make room',
  text: 'Down before B.',
  lanes: [REED],
  from: at(8),
  to: at(18),
  checks: [
    {
      id: 'dip-1',
      kind: 'dip',
      values: { lane: REED, from: at(9), to: at(17), depth: 6, tolerance: 2, beats: 1 },
    },
  ],
  hints: ['Listen.', 'At bar 9.', 'Four points.'],
  weight: 1,
}
const brief: Brief = {
  purpose: 'Room.',
  tasks: [task],
  open: [REED],
  answers: 'played',
  hintsAfter: 1,
  repairs: true,
}

describe('a brief', () => {
  it('is read as it was written, through JSON', () => {
    expect(readBrief(JSON.parse(JSON.stringify(brief)), song, start)).toEqual(brief)
  })

  it('keeps hints, and checks that may not answer yet, from the student', () => {
    expect(JSON.stringify(forStudent(brief))).not.toContain('Four points')
    expect(forStudent(brief).tasks[0]).toMatchObject({ hints: 3, checks: task.checks })
    expect(forStudent({ ...brief, answers: 'handed in' }).tasks[0]!.checks).toEqual([])
  })

  it('of an earlier version is completed', () => {
    const old = {
      purpose: 'Old.',
      open: [REED],
      tasks: [{ id: 'a', title: 'A', text: '', lanes: [REED], from: 0, to: 960 }],
    }
    expect(completeBrief(old)).toMatchObject({
      answers: 'played',
      tasks: [{ checks: [], hints: [], weight: 1 }],
    })
  })

  const withTask = (change: object) => ({ ...brief, tasks: [{ ...task, ...change }] })
  it.each([
    ['nothing', null, /not a brief/],
    ['no tasks', { ...brief, tasks: [] }, /at least one task/],
    ['too many tasks', { ...brief, tasks: Array(31).fill(task) }, /at most 30/],
    ['two of the same id', { ...brief, tasks: [task, task] }, /same id/],
    ['a task without a title', withTask({ title: '  ' }), /needs a title/],
    ['a task outside the song', withTask({ to: at(60) }), /its end must be/],
    ['a task that ends before it begins', withTask({ from: at(9), to: at(3) }), /must lie after/],
    [
      'a lane that the song does not have',
      withTask({ lanes: ['track/kazoo/level'] }),
      /no lane "track\/kazoo\/level"/,
    ],
    [
      'a check outside the song',
      withTask({ checks: [{ ...task.checks[0]!, values: { ...task.checks[0]!.values, to: at(70) } }] }),
      /outside the song/,
    ],
    ['four hints', withTask({ hints: ['a', 'b', 'c', 'd'] }), /more than three hints/],
    ['a weight of nonsense', withTask({ weight: 'much' }), /weight/],
    ['too much text', withTask({ text: 'x'.repeat(5000) }), /4000 characters/],
    ['an unknown time of answers', { ...brief, answers: 'never' }, /when its checks answer/],
  ])('with %s is refused with one sentence', (_, document, problem) => {
    expect(() => readBrief(document, song, start)).toThrow(problem)
  })

  it('of any garbage is refused, never half read', () => {
    fc.assert(
      fc.property(fc.anything(), (garbage) => {
        expect(() => readBrief(garbage, song, start)).toThrow(RangeError)
        expect(() => readBrief({ ...brief, tasks: [garbage] }, song, start)).toThrow(RangeError)
      }),
    )
  })
})

describe('the usual lessons', () => {
  it.each(LESSONS.map((l) => [l.name, l] as const))('%s is a task that can be given at once', (_, lesson) => {
    const made = lesson.make(song, start, counter())
    expect(readBrief({ ...brief, tasks: [made] }, song, start).tasks).toEqual([made])
  })
})

describe('tasks from a model', () => {
  const moves = meantMoves(6).filter(
    (m) => m.lane === REED || m.lane === 'track/reed/pan' || m.kind === 'throw',
  )

  it('are met by the model and not by the starting mix, for nearly every move there can be', () => {
    const wrong: string[] = []
    for (const move of moves) {
      const lane = move.kind === 'throw' ? 'send/to-hall/level' : move.lane
      const model = withPoints(start, lane, move.points, () => 'line')
      const tasks = tasksFromModel(song, start, model, counter())
      expect(() => readBrief({ ...brief, tasks }, song, start), move.name).not.toThrow()
      // a build is judged by its sound
      if (move.kind === 'build') continue
      const verdicts = (mix: typeof model) =>
        judgeTasks(evidenceOf(song, start, mix), tasks).map((t) => t.verdict)
      if (!tasks.length || verdicts(model).some((v) => v !== 'met') || verdicts(start).includes('met'))
        wrong.push(`${move.name}: ${verdicts(model).join()} / ${verdicts(start).join()}`)
    }
    expect(wrong.length / moves.length, wrong.join('\n')).toBeLessThanOrEqual(0.06)
  })

  it('are one for a pair of fades that cross', () => {
    const out = [point(0, 0), point(at(9), 0), point(at(13), -90)]
    const into = [point(at(9), -90), point(at(13), 0)]
    const model = withPoints(
      withPoints(start, REED, out, () => 'a'),
      'track/pad/level',
      into,
      () => 'b',
    )
    expect(tasksFromModel(song, start, model, counter())).toMatchObject([
      { title: 'Reed out as Pad comes in', checks: [{ kind: 'crossing' }] },
    ])
  })

  it('are none where the model moves nothing', () => {
    expect(tasksFromModel(song, start, start, counter())).toEqual([])
  })
})

describe('the form that a hint shows', () => {
  it('is on the lane of its check, in rising time and range, and none of the answer', () => {
    for (const kind of CHECK_KINDS) {
      const values = { lane: REED, from: at(9), to: at(17), way: 'up', depth: 11.25 }
      const hint = hintLine({ id: 'c', kind: kind.kind, values }, levelScale, -3)
      if (!hint) continue
      expect(hint.lane).toBe(REED)
      hint.points.forEach((p, i) => i && expect(p.tick).toBeGreaterThan(hint.points[i - 1]!.tick))
      expect(hint.points.map((p) => p.value)).not.toContain(-3 - 11.25)
    }
  })
})
