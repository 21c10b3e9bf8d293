import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { refOfMistake, type Assessment } from '../brief'
import { amount, at, between, valued, wanted } from '../evidence'
import type { Picture } from '../heard'
import {
  commonestMistakes,
  figuresOf,
  minutesByWeek,
  mistakesOverTerm,
  needsHelp,
  nextLessons,
  overruledFigures,
  standingOfOne,
  stripsOf,
  verdictOfTask,
  type Counted,
  type HandInFigures,
  type HelpSign,
  type Progress,
} from '.'

const says = { key: 'prose', parts: {} }
const place = (lane: string | null, from: number, to: number) => ({ lane, from, to })
const REED = 'track/reed/level'

const assessment: Assessment = {
  version: 2,
  tasks: [
    {
      task: 'in',
      verdict: 'close',
      checks: [
        {
          check: 'in-1',
          kind: 'fade in',
          name: 'Fade in',
          finding: {
            verdict: 'met',
            says,
            place: place(REED, 0, 960),
            figures: [
              { name: 'begins', value: at(0), wanted: wanted('is', at(0)) },
              { name: 'uneven', value: amount(12, '%'), wanted: wanted('most', amount(18, '%')) },
              { name: 'softest', value: valued(REED, -90), wanted: null },
              { name: 'form', value: { word: 'form.even' }, wanted: null },
            ],
          },
        },
        {
          check: 'in-2',
          kind: 'lead over rest',
          name: 'Lead',
          finding: {
            verdict: 'close',
            says,
            place: place(null, 0, 960),
            figures: [
              {
                name: 'over-rest',
                value: amount(-3, 'LU'),
                wanted: between(amount(-2, 'LU'), amount(4, 'LU')),
              },
            ],
          },
        },
      ],
    },
  ],
  before: [],
  mistakes: [{ kind: 'late', name: 'Late', severity: 2, place: place(REED, 100.4, 200), says }],
}

describe('the figures of a hand-in', () => {
  const figures = figuresOf(assessment)

  it('have every number with what was asked for, and nothing that is no number', () => {
    expect(figures.tasks[0]!.checks[0]!.measured).toEqual([
      { name: 'begins', value: 0, unit: 'tick', of: null, low: 0, high: 0 },
      { name: 'uneven', value: 12, unit: '%', of: null, low: null, high: 18 },
      { name: 'softest', value: -90, unit: 'value', of: REED, low: null, high: null },
    ])
    expect(figures.tasks[0]!.checks[1]!.measured).toEqual([
      { name: 'over-rest', value: -3, unit: 'LU', of: null, low: -2, high: 4 },
    ])
  })

  it('say of a task what its checks say, and follow the teacher’s word', () => {
    expect(verdictOfTask(figures.tasks[0]!)).toBe('close')
    const overrules = {
      'check:in-2': { verdict: 'met' as const, why: '' },
      [refOfMistake(assessment.mistakes[0]!)]: { verdict: null, why: 'I like it.' },
    }
    const stands = overruledFigures(figures, overrules)
    expect(verdictOfTask(stands.tasks[0]!)).toBe('met')
    expect(stands.mistakes).toEqual([])
    expect(overruledFigures(figures, {})).toEqual(figures)
  })

  it('are plain data of a few kilobytes, whatever the pictures', () => {
    const loss = Array.from({ length: 900 }, (_, i) => -i / 20)
    const fade = {
      way: 'out',
      start: 0,
      end: 1,
      first: 0,
      loss,
      even: loss,
      heard: 0,
      gone: 0,
      still: null,
    } as const
    const picture: Picture = { kind: 'fade', lane: REED, fade: { ...fade, steepest: null } }
    const small = figuresOf({ ...assessment, pictures: { in: [picture, picture] } })
    expect(small.pictures.fade).toMatchObject({ off: 0 })
    expect(small.pictures.fade!.loss).toHaveLength(32)
    expect(small.pictures.fade!.loss[0]).toBe(0)
    expect(small.pictures.fade!.loss.at(-1)).toBe(40)
    expect(JSON.parse(JSON.stringify(small))).toEqual(small)
    expect(JSON.stringify(small).length).toBeLessThan(3000)
  })

  it('have no fade where a line stays where it is, and the build that grows most', () => {
    const still = Array.from({ length: 50 }, () => -2)
    const fade: Picture = {
      kind: 'fade',
      lane: REED,
      fade: {
        way: 'out',
        start: 0,
        end: 1,
        first: 0,
        loss: still,
        even: still,
        heard: null,
        gone: null,
        still: null,
        steepest: null,
      },
    }
    const build = (...adds: number[]): Picture => ({
      kind: 'build',
      grows: true,
      build: {
        bars: adds.map((a, i) => ({
          bar: i + 1,
          from: 0,
          to: 1,
          adds: a,
          lanes: {},
          together: 0,
          octaves: null,
        })),
        arrives: 0,
        steepest: null,
        falls: [],
        room: null,
        brightens: null,
        unsplit: 0,
        after: null,
      },
    })
    const { pictures } = figuresOf({
      ...assessment,
      pictures: { in: [fade, build(0, 1, 2), build(0, 3, 5)] },
    })
    expect(pictures).toMatchObject({ fade: null, build: { grows: 5, adds: [0, 3, 5] }, balance: null })
  })
})

const HOUR = 3_600_000
const DAY = 24 * HOUR
const NOW = Date.UTC(2026, 2, 2)
const nothing: Progress = { editedAt: null, firstHandInAt: null, newest: null, dueAt: null, excused: false }
const handed = (at: number, outcome: 'accepted' | 'again' | null = null, isBack = false) => ({
  editedAt: at,
  firstHandInAt: at,
  newest: { handedInAt: at, isBack, outcome },
})

describe('how far somebody is', () => {
  it.each<[string, Partial<Progress>, object]>([
    ['has done nothing', {}, { state: 'not begun', missing: false, stopped: false }],
    ['is at it', { editedAt: NOW - HOUR }, { state: 'begun', stopped: false }],
    ['left it days ago', { editedAt: NOW - 5 * DAY }, { state: 'begun', stopped: true }],
    ['waits', handed(NOW - DAY), { state: 'waiting', missing: false, stopped: false }],
    ['is decided and held', handed(NOW - DAY, 'accepted'), { state: 'held' }],
    ['has it back to improve', handed(NOW - DAY, 'again', true), { state: 'again', stopped: false }],
    ['has left what came back', handed(NOW - 9 * DAY, 'again', true), { state: 'again', stopped: true }],
    ['is accepted', handed(NOW - 9 * DAY, 'accepted', true), { state: 'accepted', stopped: false }],
    ['missed the date', { dueAt: NOW - 1 }, { state: 'not begun', missing: true }],
    ['need not', { dueAt: NOW - 1, excused: true }, { state: 'excused', missing: false }],
  ])('who %s', (_, made, expected) => {
    expect(standingOfOne({ ...nothing, ...made }, NOW)).toMatchObject(expected)
  })

  it('late is the first version after the date, in hours, and nothing else', () => {
    const dueAt = NOW - 3 * DAY
    expect(standingOfOne({ ...nothing, ...handed(dueAt + 30 * HOUR), dueAt }, NOW).late).toBe(30)
    expect(standingOfOne({ ...nothing, ...handed(dueAt - HOUR), dueAt }, NOW).late).toBe(0)
    expect(standingOfOne({ ...nothing, ...handed(dueAt + HOUR) }, NOW).late).toBe(0)
  })
})

const sign = (made: Partial<Progress>, ...tasks: HelpSign['tasks']): HelpSign => ({
  standing: standingOfOne({ ...nothing, ...made }, NOW),
  tasks,
})

describe('who needs help', () => {
  it('is worked out as it is explained', () => {
    expect(needsHelp([])).toBe(0)
    expect(needsHelp([sign({ dueAt: NOW - 1 })])).toBe(3)
    expect(needsHelp([sign({ editedAt: NOW - 6 * DAY })])).toBe(2)
    // missing and stopped count once, as missing
    expect(needsHelp([sign({ editedAt: NOW - 6 * DAY, dueAt: NOW - 1 })])).toBe(3)
    expect(needsHelp([sign(handed(NOW - HOUR), 'met', 'close', 'not yet', null)])).toBe(1)
    expect(needsHelp([sign(handed(NOW - HOUR, 'again', true), 'not yet')])).toBe(3)
    expect(needsHelp([sign(handed(NOW - HOUR, 'accepted', true), 'not yet')])).toBe(0)
    expect(needsHelp([sign({ dueAt: NOW - 1, excused: true })])).toBe(0)
  })

  it('looks at the last four alone', () => {
    const missing = sign({ dueAt: NOW - 1 })
    const fine = sign(handed(NOW, 'accepted', true))
    expect(needsHelp([missing, missing, fine, fine, fine, fine])).toBe(0)
    expect(needsHelp([missing, missing, missing, missing, missing])).toBe(12)
  })
})

const figures = (made: {
  mistakes?: string[]
  checks?: Record<string, 'met' | 'not yet'>
}): HandInFigures => ({
  version: 1,
  tasks: [
    {
      task: 'one',
      checks: Object.entries(made.checks ?? {}).map(([kind, verdict]) => ({
        check: kind,
        kind,
        verdict,
        measured: [{ name: 'over', value: kind.length, unit: 'bars', of: null, low: 4, high: null }],
      })),
    },
  ],
  mistakes: (made.mistakes ?? []).map((kind, i) => ({ kind, severity: 2, lane: REED, from: i, to: i + 1 })),
  pictures: { fade: null, build: null, balance: null },
})
const counted = (student: string, assignment: string, made: Parameters<typeof figures>[0]): Counted => ({
  handIn: `${student}-${assignment}`,
  student,
  assignment,
  figures: figures(made),
})

describe('what is counted of a class', () => {
  it('each student counts once for a mistake, and each hand-in has one place', () => {
    const found = commonestMistakes([
      counted('anna', 'a', { mistakes: ['late', 'late', 'drift'] }),
      counted('anna', 'b', { mistakes: ['late'] }),
      counted('ben', 'a', { mistakes: ['drift'] }),
      counted('cleo', 'a', { mistakes: ['drift'] }),
    ])
    expect(found.map((m) => [m.kind, m.students, m.places.length])).toEqual([
      ['drift', 3, 3],
      ['late', 1, 2],
    ])
  })

  it('no student is counted who has not made it, whatever comes', () => {
    const kinds = fc.constantFrom<string>('late', 'drift', 'cut off')
    fc.assert(
      fc.property(
        fc.array(fc.record({ s: fc.constantFrom('a', 'b', 'c'), m: fc.array(kinds, { maxLength: 4 }) }), {
          maxLength: 9,
        }),
        (list) => {
          const all = list.map(({ s, m }, i) => counted(s, `x${i}`, { mistakes: m }))
          for (const { kind, students, places } of commonestMistakes(all)) {
            const who = new Set(list.filter(({ m }) => m.includes(kind)).map(({ s }) => s))
            expect(students).toBe(who.size)
            expect(places).toHaveLength(list.filter(({ m }) => m.includes(kind)).length)
          }
        },
      ),
    )
  })

  it('what was measured lies in strips, each with its middle', () => {
    const [strip] = stripsOf(
      [counted('anna', 'a', { checks: { dip: 'met' } }), counted('ben', 'a', { checks: { dip: 'not yet' } })],
      'one',
    )
    expect(strip).toMatchObject({ check: 'dip', name: 'over', unit: 'bars', low: 4, high: null, middle: 3 })
    expect(strip!.values.map((v) => [v.student, v.met])).toEqual([
      ['anna', true],
      ['ben', false],
    ])
    expect(stripsOf([], 'one')).toEqual([])
  })

  it('the next lesson is about what most have not got yet, and for nobody alone', () => {
    const all = [
      counted('anna', 'a', { checks: { dip: 'not yet', 'fade in': 'met' } }),
      counted('ben', 'a', { checks: { dip: 'not yet', 'fade in': 'not yet' }, mistakes: ['too wet'] }),
      counted('cleo', 'a', { checks: { dip: 'met', 'fade in': 'met' } }),
    ]
    expect(nextLessons(all)).toEqual([
      { about: 'check', kind: 'dip', lesson: 'make-room', students: ['anna', 'ben'], of: 3 },
    ])
    // who has got it since is past it
    const later = [...all, counted('anna', 'b', { checks: { dip: 'met' } })]
    expect(nextLessons(later)).toEqual([])
  })
})

describe('the way of a student', () => {
  it('a mistake went when it was not in the last two, and stays while it was', () => {
    const terms = (list: string[][]) =>
      mistakesOverTerm(list.map((mistakes) => figures({ mistakes }))).map((m) => [m.kind, m.gone])
    expect(terms([['late'], [], []])).toEqual([['late', true]])
    expect(terms([['late'], ['drift'], []])).toEqual([
      ['drift', false],
      ['late', true],
    ])
    expect(terms([['late'], ['late']])).toEqual([['late', false]])
    expect(terms([])).toEqual([])
  })

  it('minutes count once each, in the week in which they are', () => {
    const minute = 60_000
    const steps = [0, 1000, minute, 8 * DAY, 8 * DAY + 5, 40 * DAY].map((t) => NOW + t)
    expect(minutesByWeek(steps, NOW, 3)).toEqual([2, 1, 0])
    expect(minutesByWeek([NOW - 1], NOW, 2)).toEqual([0, 0])
  })
})
