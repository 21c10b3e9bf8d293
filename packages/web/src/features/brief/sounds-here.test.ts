import { overviewOf } from '@rudlo/core/exchange'
import { describe, expect, it } from 'vitest'
import { peakIn } from './sounds-here'

describe('the highest amplitude between two samples', () => {
  // silent for half a second, then loud
  const overview = overviewOf([
    new Int16Array(44_100).map((_, n) => (n < 22_050 ? 0 : n % 2 ? 16_384 : -16_384)),
  ])

  it('is seen in the picture of a recording', () => {
    expect(peakIn(overview, 0, 20_000)).toBe(0)
    expect(peakIn(overview, 30_000, 44_100)).toBeCloseTo(0.5, 1)
    expect(peakIn(overview, 0, 44_100)).toBeCloseTo(0.5, 1)
  })

  it('is nothing where there is nothing', () => {
    expect(peakIn(overview, 90_000, 99_000)).toBe(0)
    expect(peakIn(overview, 500, 500)).toBe(0)
  })
})
