import { describe, expect, it } from 'vitest'
import { overruled, refOfCheck, refOfMistake, type Assessment } from '.'

const place = { lane: 'track/reed/level', from: 960, to: 1920 }
const says = { key: 'check.unheard', parts: {} }
const check = (id: string, verdict: 'met' | 'not yet') => ({
  check: id,
  kind: 'dip',
  name: 'Dip',
  finding: { verdict, says, place, figures: [] },
})
const assessment: Assessment = {
  version: 2,
  tasks: [{ task: 't', checks: [check('a', 'not yet'), check('b', 'met')], verdict: 'not yet' }],
  before: [],
  mistakes: [{ kind: 'drift', name: 'It drifts', severity: 3, place, says }],
}

describe('the teacher’s word', () => {
  it('stands in place of a verdict, and the task follows', () => {
    const [task] = overruled(assessment, {
      [refOfCheck({ check: 'a' })]: { verdict: 'met', why: 'I hear it.' },
    }).tasks
    expect(task).toMatchObject({
      verdict: 'met',
      checks: [{ overruled: { was: 'not yet', why: 'I hear it.' } }, {}],
    })
    expect(task!.checks[1]).toEqual(assessment.tasks[0]!.checks[1])
  })

  it('takes a mistake away', () => {
    const [mistake] = assessment.mistakes
    expect(overruled(assessment, { [refOfMistake(mistake!)]: { verdict: null, why: '' } }).mistakes).toEqual(
      [],
    )
  })

  it('about something else changes nothing', () => {
    expect(overruled(assessment, { 'check:z': { verdict: 'met', why: '' } })).toEqual(assessment)
  })
})
