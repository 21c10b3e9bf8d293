import { describe, expect, it } from 'vitest'
import type { Assessment } from '../brief'
import { completeRubric, proposeMarks, readRubric, usualRubric, type Rubric } from '.'

type Judged = Pick<Assessment, 'tasks' | 'before'>
type Verdict = 'met' | 'close' | 'not yet'
const place = { lane: null, from: 0, to: 0 }
const check = (kind: string, verdict: Verdict) => ({
  check: kind,
  kind,
  name: kind,
  finding: { verdict, says: { key: `check.${verdict}`, parts: {} }, place, figures: [] },
})
/** Checks of one task, and what they said before anything was done: nothing yet, or something else. */
const judged = (checks: ReturnType<typeof check>[], before: typeof checks = []): Judged => ({
  tasks: [{ task: 't', checks, verdict: null }],
  before: [{ task: 't', checks: before, verdict: null }],
})
const TASKS = [{ id: 't', weight: 1 }]
const propose = (j: Judged, rubric: Rubric = usualRubric()) => proposeMarks(rubric, TASKS, j)

const named = (kind: string) => ({ check: kind, kind, name: kind })

describe('proposeMarks', () => {
  it('reaches the level below the highest where all is met: the highest is the teacher’s', () => {
    expect(propose(judged([check('fade in', 'met'), check('lead over rest', 'met')]))).toEqual({
      fades: { level: 2, met: 1, of: 1, open: [], holds: [named('fade in')] },
      balance: { level: 2, met: 1, of: 1, open: [], holds: [named('lead over rest')] },
    })
  })

  it('stays under that with anything that is not met, and says what', () => {
    const { fades } = propose(
      judged([check('fade in', 'met'), check('dip', 'met'), check('fade out', 'close')]),
    )
    expect(fades).toEqual({
      level: 1,
      met: 2,
      of: 3,
      open: [named('fade out')],
      holds: [named('fade in'), named('dip')],
    })
    expect(propose(judged([check('fade in', 'not yet'), check('fade out', 'close')]))['fades']!.level).toBe(0)
  })

  it('proposes nothing where nothing was done, and nothing for what nothing was asked about', () => {
    const untouched = [check('lead over rest', 'met')]
    expect(propose(judged(untouched, untouched))).toEqual({})
    expect(propose(judged([check('fade in', 'met')]))['balance']).toBeUndefined()
    const own: Rubric = {
      levels: ['a', 'b'],
      criteria: [{ id: 'joy', name: 'Joy', about: '', aspect: null, says: [] }],
    }
    expect(propose(judged([check('fade in', 'met')]), own)).toEqual({})
  })

  it('rests on the checks that its line names, and on no others', () => {
    const own: Rubric = {
      levels: ['a', 'b', 'c'],
      criteria: [{ id: 'end', name: 'The end', about: '', aspect: 'moves', rests: ['fade out'], says: [] }],
    }
    const apart = (first: Verdict): Judged => ({
      tasks: [
        { task: 't', checks: [check('fade in', first)], verdict: null },
        { task: 'u', checks: [check('fade out', 'met')], verdict: null },
      ],
      before: [],
    })
    expect(propose(apart('not yet'), own)['end']).toMatchObject({ level: 1, met: 1, of: 1, open: [] })
    // but a task of theirs has to be met as a whole
    const together = judged([check('fade in', 'not yet'), check('fade out', 'met')])
    expect(propose(together, own)['end']).toMatchObject({ level: 0, open: [{ check: 'fade in' }] })
  })

  it('never gets better by a check less met', () => {
    const verdicts = ['met', 'close', 'not yet'] as const
    for (const [i, verdict] of verdicts.entries())
      for (const worse of verdicts.slice(i)) {
        const level = (v: Verdict) =>
          propose(judged([check('fade in', v), check('fade out', 'met')]))['fades']!.level
        expect(level(worse)).toBeLessThanOrEqual(level(verdict))
      }
  })
})

describe('readRubric', () => {
  it('reads what it wrote', () => {
    expect(readRubric(JSON.parse(JSON.stringify(usualRubric())))).toEqual(usualRubric())
  })

  const line = { id: 'a', name: 'A', about: '', aspect: null, says: [] }
  it.each([
    [null, /levels and lines/],
    [{ levels: ['one'], criteria: [line] }, /between 2 and 6 levels/],
    [{ levels: ['one', 'one'], criteria: [line] }, /same name/],
    [{ levels: ['one', ' '], criteria: [line] }, /level 2 is missing/],
    [{ levels: ['a', 'b'], criteria: [] }, /between 1 and 12 lines/],
    [{ levels: ['a', 'b'], criteria: [line, line] }, /same id/],
    [{ levels: ['a', 'b'], criteria: [{ ...line, name: '' }] }, /name of line 1/],
    [{ levels: ['a', 'b'], criteria: [{ ...line, name: 'x'.repeat(61) }] }, /more than 60/],
    [{ levels: ['a', 'b'], criteria: [{ ...line, aspect: 'beauty' }] }, /not measured/],
    [{ levels: ['a', 'b'], criteria: [{ ...line, rests: ['magic'] }] }, /a check that does not exist/],
    [{ levels: ['a', 'b'], criteria: [{ ...line, says: ['1', '2', '3'] }] }, /more levels than there are/],
    [{ levels: ['a', 'b'], criteria: ['x'] }, /cannot be read/],
  ])('refuses %j', (rubric, sentence) => {
    expect(() => readRubric(rubric)).toThrow(sentence)
  })

  it('completes what an earlier version stored', () => {
    const old = {
      levels: ['not yet', 'nearly', 'there', 'beyond'],
      criteria: [{ id: 'fades', name: 'Fades', about: 'x' }],
    }
    expect(completeRubric(old).criteria[0]).toMatchObject({
      aspect: 'moves',
      says: usualRubric().criteria[0]!.says,
    })
    const short = completeRubric({ levels: ['a', 'b'], criteria: [{ id: 'room', name: 'Room' }] })
    expect(short.criteria[0]).toEqual({ id: 'room', name: 'Room', about: '', aspect: null, says: ['', ''] })
  })
})
