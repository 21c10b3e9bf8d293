import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Verdict } from '../evidence'
import { bestVersion } from '.'

const VERDICTS: readonly (Verdict | null)[] = ['met', 'close', 'not yet', null]
const versions = fc.array(
  fc.record({
    verdicts: fc.array(fc.constantFrom(...VERDICTS), { maxLength: 4 }),
    share: fc.option(fc.integer({ min: 0, max: 3 }).map((n) => n / 3)),
  }),
)
const met = (v: { readonly verdicts: readonly (Verdict | null)[] }) =>
  v.verdicts.filter((x) => x === 'met').length

describe('the best version', () => {
  it('is one that no other surpasses, and none that came later equals', () => {
    fc.assert(
      fc.property(versions, (all) => {
        const best = bestVersion(all, (v) => v)
        expect(best === null).toBe(all.length === 0)
        all.forEach((v, i) => {
          const isBetter =
            met(v) > met(best!) || (met(v) === met(best!) && (v.share ?? 0) > (best!.share ?? 0))
          const isEqual = met(v) === met(best!) && (v.share ?? 0) === (best!.share ?? 0)
          expect(isBetter).toBe(false)
          if (isEqual) expect(i).toBeLessThanOrEqual(all.lastIndexOf(best!))
        })
      }),
    )
  })

  it('is an earlier one where the newest fell back', () => {
    const all = [
      { id: 1, verdicts: ['met', 'met'] as const, share: 0.7 },
      { id: 2, verdicts: ['met', 'not yet'] as const, share: 0.9 },
    ]
    expect(bestVersion(all, (v) => v)?.id).toBe(1)
  })
})
