import { describe, expect, it } from 'vitest'
import { WHOLE } from '../../../../scripts/lib/whole.mjs'
import { accused, checksJudged } from '../../test/judging/judged'
import { marksJudged } from '../../test/judging/marked'

// the sealed half is for `npm run bench -- --only assess`
const EACH = WHOLE ? 24 : 12
const MARKED = WHOLE ? 100 : 40

describe('answers, ridden and set', () => {
  it.each(checksJudged(EACH, 'open').map((s) => [s.kind, s] as const))(
    'are judged as a teacher would by the check "%s"',
    (_, { right, judged, wrong }) => {
      expect(right / judged, wrong.join('\n')).toBeGreaterThanOrEqual(0.97)
    },
  )

  it('that are right are accused of nothing', () => {
    const { right, accusations } = accused(EACH, 'open')
    expect(accusations.length / right, accusations.join('\n')).toBeLessThanOrEqual(0.01)
  })

  it('get the marks that a teacher would give', () => {
    const { same, within } = marksJudged(MARKED, 'open')
    expect(same / MARKED).toBeGreaterThanOrEqual(0.8)
    expect(within / MARKED).toBeGreaterThanOrEqual(0.97)
  })
})
