import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { barTick as at, meantMoves } from '../../test/drawn/moves'
import { Chance } from '../../test/drawn/hand'
import { song, start } from '../../test/drawn/mistakes'
import { wholeLines } from '../../test/judging/whole-lines'
import { evidenceOf } from '../evidence'
import { CHECK_KINDS } from '../checks'
import { point, type Points } from '../envelope'
import { plainMix, resolve, withPoints, withSetting, type Mix } from '../mix'
import { levelScale } from '../scale'
import {
  completeBrief,
  forStudent,
  hintLine,
  judgeTasks,
  LESSONS,
  readBrief,
  soundsOf,
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
    ['nothing', null, /not the tasks/],
    ['no tasks', { ...brief, tasks: [] }, /at least one task/],
    ['too many tasks', { ...brief, tasks: Array(31).fill(task) }, /30 tasks at most/],
    ['two of the same id', { ...brief, tasks: [task, task] }, /same id/],
    ['a task without a title', withTask({ title: '  ' }), /needs a title/],
    ['a task outside the song', withTask({ to: at(60) }), /the end is outside the song/],
    ['a task that ends before it begins', withTask({ from: at(9), to: at(3) }), /must come after/],
    [
      'a lane that the song does not have',
      withTask({ lanes: ['track/kazoo/level'] }),
      /no lane “track\/kazoo\/level”/,
    ],
    [
      'a check outside the song',
      withTask({ checks: [{ ...task.checks[0]!, values: { ...task.checks[0]!.values, to: at(70) } }] }),
      /outside the song/,
    ],
    ['four hints', withTask({ hints: ['a', 'b', 'c', 'd'] }), /more than three hints/],
    ['a weight of nonsense', withTask({ weight: 'much' }), /weight/],
    ['too much text', withTask({ text: 'x'.repeat(5000) }), /4000 characters/],
    ['an unknown time of answers', { ...brief, answers: 'never' }, /how much help/],
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

  // the reed rests until bar 9 and after bar 24; the pad is there from the start
  const sounds = soundsOf(song, start, (asset, from) =>
    asset.startsWith('a') && (from < 16 * 44_100 || from >= 48 * 44_100) ? 0 : 0.5,
  )
  it('stand where their tracks sound', () => {
    expect(sounds.extent('reed')).toEqual({ from: at(9), to: at(25) })
    const lesson = (name: string) =>
      LESSONS.find((l) => l.name === name)!.make(song, start, counter(), sounds)
    const spans = (task: BriefTask) => task.checks.map((c) => [c.values['from'], c.values['to']])
    // the pad has the chords of this song, the reed the lead
    expect(spans(lesson('Raise the solo'))[0]).toEqual([at(17), at(25)])
    expect(spans(lesson('Even out the singer'))[0]).toEqual([at(9), at(17)])
    const [crossing] = lesson('One out as another comes in').checks
    expect(crossing!.values).toMatchObject({ leaves: 'pad', comes: 'reed', from: at(7), to: at(11) })
  })

  it('say what the song has to have first', () => {
    const missing = (name: string, mix: Mix) => LESSONS.find((l) => l.name === name)!.missing(mix)
    expect(missing('One word echoes', plainMix(song))).toMatch(/send/)
    expect(missing('One word echoes', start)).toBeNull()
    expect(missing('Open the filter', start)).toMatch(/filter/)
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

  it('accept other good answers than the model, and can all be saved', () => {
    const lines = wholeLines(120, 'open').filter(
      (l) => resolve(start, l.lane) && !l.ridden && l.time.length === l.time.meter.barStart(34),
    )
    let [all, accepted] = [0, 0]
    const refused: string[] = []
    for (const line of lines) {
      const song44 = { ...song, length: line.time.length }
      // lines of songs in four, at the song's own tempo
      if (line.time.meter.lengthsAt(0).bar !== 3840) continue
      const model = withPoints(start, line.lane, line.points, () => 'line')
      const tasks = tasksFromModel(song44, start, model, counter())
      expect(
        () => tasks.length && readBrief({ ...brief, tasks, open: [] }, song44, start),
        line.name,
      ).not.toThrow()
      const chance = new Chance(line.points.length * 7 + 3)
      for (let k = 0; k < 4; k++) {
        let shift = 0
        const other = line.points.map((p, i) => ({
          ...p,
          // two points side by side are a jump: they move together
          tick: Math.max(
            i,
            p.tick +
              (p.tick - (line.points[i - 1]?.tick ?? -9) <= 2
                ? shift
                : (shift = p.tick ? Math.round(chance.off(120)) : 0)),
          ),
          value: p.value > -60 && !line.lane.endsWith('pan') ? p.value + chance.off(0.3) : p.value,
        }))
        const sorted = other
          .sort((a, b) => a.tick - b.tick)
          .filter((p, i, l) => !i || p.tick > l[i - 1]!.tick)
        const mix = withPoints(start, line.lane, sorted, () => 'line')
        for (const t of judgeTasks(evidenceOf(song44, start, mix), tasks)) {
          if (t.verdict === null) continue
          all++
          if (t.verdict === 'met') accepted++
          else refused.push(`${line.name}: ${t.checks.map((c) => c.finding.says.key).join()}`)
        }
      }
    }
    expect(all).toBeGreaterThan(40)
    expect(accepted / all, refused.join('\n')).toBeGreaterThanOrEqual(0.9)
  })

  it('are made of switches, of a filter that shuts at once, of a V, and of settings alone', () => {
    const made = (lane: string, points: Points, base = start) =>
      tasksFromModel(
        song,
        start,
        withPoints(base, lane, points, () => 'x'),
        counter(),
      )
    const kinds = (tasks: readonly BriefTask[]) => tasks.flatMap((t) => t.checks.map((c) => c.kind))
    expect(
      kinds(made('track/reed/mute', [point(0, 0, 'jump'), point(at(9), 1, 'jump'), point(at(11), 0)])),
    ).toEqual(['jump', 'jump'])
    expect(kinds(made(REED, [point(0, -3), point(at(8), -3), point(at(9), -12), point(at(10), -3)]))).toEqual(
      ['dip'],
    )
    const set = withSetting(withSetting(start, REED, -9), 'track/pad/pan', 0.5)
    expect(tasksFromModel(song, start, set, counter())).toMatchObject([{ title: 'Set the balance' }])
    expect(kinds(tasksFromModel(song, start, set, counter()))).toEqual(['position', 'position'])
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
