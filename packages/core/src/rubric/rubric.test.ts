import { describe, expect, it } from 'vitest'
import type { Assessment } from '../brief'
import { completeRubric, proposeMarks, readRubric, USUAL_RUBRIC, type Rubric } from '.'

type Judged = Pick<Assessment, 'tasks' | 'mistakes'>
const place = { lane: null, from: 0, to: 0 }
const check = (kind: string, verdict: 'met' | 'close' | 'not yet') => ({
  check: kind,
  kind,
  name: kind,
  finding: { verdict, says: { key: 'check.unheard', parts: {} }, place, figures: [] },
})
const judged = (checks: ReturnType<typeof check>[], mistakes: [string, 1 | 2 | 3][] = []): Judged => ({
  tasks: [{ task: 't', checks, verdict: null }],
  mistakes: mistakes.map(([kind, severity]) => ({
    kind,
    severity,
    name: `Some ${kind}`,
    place,
    says: { key: 'mistake.drift.says', parts: {} },
  })),
})
const TASKS = [{ id: 't', weight: 1 }]
const propose = (j: Judged, rubric: Rubric = USUAL_RUBRIC) => proposeMarks(rubric, TASKS, j)

describe('proposeMarks', () => {
  it('reaches the level below the highest where all is met: the highest is the teacher’s', () => {
    expect(propose(judged([check('fade in', 'met'), check('lead over rest', 'met')]))).toEqual({
      fades: { level: 2, reason: 'the check is met' },
      balance: { level: 2, reason: 'the check is met' },
      placement: { level: 2, reason: 'no mistake of this kind was found' },
      tidiness: { level: 2, reason: 'no mistake of this kind was found' },
    })
  })

  it('falls with what is not met and with mistakes, and says why', () => {
    const { fades, tidiness } = propose(
      judged(
        [check('fade in', 'met'), check('fade out', 'not yet')],
        [
          ['stray lane', 3],
          ['off grid', 2],
        ],
      ),
    )
    expect(fades).toEqual({ level: 1, reason: '1 of 2 checks are met' })
    expect(tidiness).toEqual({ level: 1, reason: 'some stray lane, some off grid' })
  })

  it('proposes nothing for what nothing was asked about', () => {
    expect(propose(judged([check('pan', 'met')]))['balance']).toBeUndefined()
    const own: Rubric = {
      levels: ['a', 'b'],
      criteria: [{ id: 'joy', name: 'Joy', about: '', aspect: null, says: [] }],
    }
    expect(propose(judged([check('fade in', 'met')]), own)).toEqual({})
  })

  it('never gets better by a mistake more or a check less met', () => {
    const verdicts = ['met', 'close', 'not yet'] as const
    for (const [i, verdict] of verdicts.entries())
      for (const worse of verdicts.slice(i)) {
        const level = (v: typeof verdict, mistakes: [string, 1 | 2 | 3][] = []) =>
          propose(judged([check('fade in', v), check('fade out', 'met')], mistakes))['fades']!.level
        expect(level(worse)).toBeLessThanOrEqual(level(verdict))
        expect(level(verdict, [['cut off', 3]])).toBeLessThanOrEqual(level(verdict))
      }
  })
})

describe('readRubric', () => {
  it('reads what it wrote', () => {
    expect(readRubric(JSON.parse(JSON.stringify(USUAL_RUBRIC)))).toEqual(USUAL_RUBRIC)
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
    [{ levels: ['a', 'b'], criteria: [{ ...line, says: ['1', '2', '3'] }] }, /more levels than there are/],
    [{ levels: ['a', 'b'], criteria: ['x'] }, /not a line/],
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
      says: USUAL_RUBRIC.criteria[0]!.says,
    })
    const short = completeRubric({ levels: ['a', 'b'], criteria: [{ id: 'room', name: 'Room' }] })
    expect(short.criteria[0]).toEqual({ id: 'room', name: 'Room', about: '', aspect: null, says: ['', ''] })
  })
})
