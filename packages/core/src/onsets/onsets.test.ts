import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { findOnsets } from '.'

const RATE = 44_100

/** Plucked tones that begin at the given samples, over a soft noise. */
function plucks(starts: readonly number[], length = 4 * RATE, level = 12_000): Int16Array {
  const out = new Int16Array(length)
  let state = 7
  for (let n = 0; n < length; n++) {
    state = (state * 48_271) % 2_147_483_647
    let v = (state / 2_147_483_647 - 0.5) * 6
    for (const start of starts) {
      const t = (n - start) / RATE
      if (t >= 0) v += level * Math.exp(-6 * t) * Math.sin(2 * Math.PI * 440 * t)
    }
    out[n] = Math.round(v)
  }
  return out
}

describe('onsets', () => {
  it('are found within 6 ms of where tones begin', () => {
    const starts = [5000, 30_000, 61_234, 120_000]
    const found = findOnsets([plucks(starts)]).map((o) => o.sample)
    expect(found).toHaveLength(starts.length)
    found.forEach((sample, i) => expect(Math.abs(sample - starts[i]!)).toBeLessThan(0.006 * RATE))
  })

  it('are found wherever tones begin that stand apart', () => {
    const gaps = fc.array(fc.integer({ min: 15_000, max: 40_000 }), { minLength: 1, maxLength: 5 })
    fc.assert(
      fc.property(gaps, (list) => {
        const starts = list.reduce<number[]>((all, gap) => [...all, (all.at(-1) ?? 0) + gap], [])
        const found = findOnsets([plucks(starts, 6 * RATE)])
        expect(found).toHaveLength(starts.length)
      }),
      { numRuns: 12 },
    )
  })

  it('are none in silence and in a steady tone but its start', () => {
    expect(findOnsets([new Int16Array(RATE)])).toEqual([])
    expect(findOnsets([])).toEqual([])
    const steady = new Int16Array(RATE).map((_, n) => 8000 * Math.sin(n / 12))
    expect(findOnsets([steady]).filter((o) => o.sample > 2000)).toEqual([])
  })

  it('of one side alone count', () => {
    const quiet = new Int16Array(4 * RATE)
    expect(findOnsets([quiet, plucks([50_000])])).toHaveLength(1)
  })
})
