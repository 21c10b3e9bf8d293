import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Role } from '../song'
import { balanceParts, levelOfMix, MIX_LUFS, MIX_PEAK } from '.'

const part = (role: Role, loudness: number | null, strength = 0.7) => ({
  role,
  loudness,
  strength,
})

describe('parts that were played from notes', () => {
  it('are as loud beside the lead as their role asks for, however loud they were played', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -50, max: 0, noNaN: true }),
        fc.double({ min: -50, max: 0, noNaN: true }),
        (lead, drums) => {
          const [up, down] = balanceParts([part('lead', lead), part('drums', drums)]) as [number, number]
          expect(lead + up - (drums + down)).toBeCloseTo(4, 9)
        },
      ),
    )
  })

  it('are louder where they are played harder, and nothing is made of silence', () => {
    const [soft, hard, silent] = balanceParts([
      part('lead', -20, 0.4),
      part('lead', -20, 0.8),
      part('bass', null),
    ])
    expect(hard! - soft!).toBeCloseTo(6.02, 1)
    expect(silent).toBe(0)
    // a single stroke that is hardly there does not turn a part down without end
    const [, faint] = balanceParts([part('lead', -20, 1), part('lead', -20, 0.001)])
    expect(faint).toBeGreaterThanOrEqual(MIX_LUFS - 6 - 6 + 20 - 0.001)
  })

  it('make a mix that is as loud as asked for, or softer where its peaks ask for more room', () => {
    expect(levelOfMix(-30, -20)).toBe(MIX_LUFS + 30)
    expect(levelOfMix(-30, -10)).toBe(MIX_PEAK + 10)
    expect(levelOfMix(null, -Infinity)).toBe(0)
  })
})
