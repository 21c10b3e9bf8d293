import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { MeterMap } from './meter-map'
import { parseSpan, spanShort } from './span-text'

const meter = new MeterMap([
  { tick: 0, beats: 4, unit: 4 },
  { tick: 4 * 3840, beats: 3, unit: 4 },
])
const LENGTH = meter.barStart(21)
const typed = (text: string) => parseSpan(meter, text, LENGTH)
const bars = (from: number, to: number) => ({ from: meter.barStart(from), to: meter.barStart(to + 1) })

describe('a stretch as it is typed', () => {
  it('is whole bars, both included, or from beat to beat', () => {
    for (const text of ['5 to 8', '5-8', '5–8', '5 8']) expect(typed(text)).toEqual(bars(5, 8))
    expect(typed('7')).toEqual(bars(7, 7))
    expect(typed('2.3 to 3.1')).toEqual({ from: 3840 + 2 * 960, to: 2 * 3840 })
  })

  it('is none where there is no such place', () => {
    for (const text of ['', 'all', '8 to 5', '0 to 3', '30', '20 to 22', '1 2 3', '3.1 to 3.1'])
      expect(typed(text), text).toBeNull()
  })

  it('reads as it was typed', () => {
    const bar = fc.integer({ min: 1, max: 20 })
    fc.assert(
      fc.property(bar, bar, (a, b) => {
        const span = bars(Math.min(a, b), Math.max(a, b))
        expect(typed(spanShort(span, meter, LENGTH).join(' to '))).toEqual(span)
      }),
    )
    expect(spanShort({ from: 960, to: 4800 }, meter, LENGTH)).toEqual(['1.2', '2.2'])
    expect(spanShort({ from: 0, to: LENGTH }, meter, LENGTH)).toEqual(['1', '20'])
  })
})
