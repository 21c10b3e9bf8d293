import type { StudentTermAssignment } from '@rudlo/contract/term'
import type { Verdict } from '@rudlo/core/evidence'
import type { MistakeOverTerm } from '@rudlo/core/term'
import { describe, expect, it } from 'vitest'
import { headline } from './headline'

const with_ = (...verdicts: (Verdict | null)[]) =>
  [
    { tasks: verdicts.map((verdict, i) => ({ id: String(i), title: '', verdict })) },
  ] as unknown as StudentTermAssignment[]
const mistake = (kind: string, gone: boolean) => ({ kind, gone }) as unknown as MistakeOverTerm

describe('one sentence about a term', () => {
  it('begins kindly where nothing came back yet', () => {
    expect(headline({ assignments: [], mistakes: [] })).toBe(
      headline({ assignments: with_(null), mistakes: [] }),
    )
    expect(headline({ assignments: [], mistakes: [] })).not.toMatch(/\d/)
  })

  it('counts what was judged, and says no more than is true', () => {
    const some = headline({ assignments: with_('met', 'not yet', null), mistakes: [] })
    expect(some).toContain('1')
    expect(some).toContain('2')
    const all = headline({ assignments: with_('met', 'met'), mistakes: [] })
    expect(all.length).toBeGreaterThan(headline({ assignments: with_('met', 'close'), mistakes: [] }).length)
  })

  it('names a mistake that went, and never one that stays', () => {
    const assignments = with_('met', 'not yet')
    const plain = headline({ assignments, mistakes: [] })
    expect(headline({ assignments, mistakes: [mistake('late', false)] })).toBe(plain)
    expect(headline({ assignments, mistakes: [mistake('late', false), mistake('drift', true)] })).toMatch(
      new RegExp(`^${plain} .+`),
    )
  })
})
