import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { holdBelow } from './hold-peaks'

const sound = (seed: number, frames = 20_000) => {
  let state = seed
  return new Float32Array(frames).map((_, n) => {
    state = (state * 16_807) % 2_147_483_647
    return (state / 2_147_483_647 - 0.5) * (n % 4000 < 40 ? 1.8 : 0.2)
  })
}

describe('peaks that are held down', () => {
  it('are never above the ceiling, and nothing gets louder', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 1e6 }),
        fc.double({ min: 0.02, max: 1.2, noNaN: true }),
        (seed, ceiling) => {
          const before = sound(seed)
          const after = before.slice()
          const left = holdBelow([after], ceiling)
          expect(after.every((x, n) => Math.abs(x) <= Math.abs(before[n]!) + 1e-6)).toBe(true)
          expect(after.reduce((a, x) => Math.max(a, Math.abs(x)), 0)).toBeLessThanOrEqual(left + 1e-5)
          expect(left).toBeLessThanOrEqual(Math.max(ceiling, 0.9))
        },
      ),
      { numRuns: 40 },
    )
  })

  it('leave alone what is below, and hold both sides alike', () => {
    const quiet = sound(5)
    const kept = quiet.slice()
    holdBelow([kept], 1)
    expect(kept).toEqual(quiet)
    const [left, right] = [sound(7), sound(7).map((x) => x * 0.5)]
    holdBelow([left, right], 0.3)
    expect(left.every((x, n) => Math.abs(x * 0.5 - right[n]!) < 1e-6)).toBe(true)
  })
})
