import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { ALL_VALUES, insideSong, Viewport, zoomAbout, zoomValues } from './viewport'

const LENGTH = 32 * 3840
const spans = fc
  .tuple(fc.integer({ min: 0, max: LENGTH - 960 }), fc.integer({ min: 960, max: LENGTH }))
  .map(([from, size]) => insideSong({ from, to: from + size }, LENGTH))
const values = fc
  .tuple(fc.double({ min: 0, max: 0.9, noNaN: true }), fc.double({ min: 0.05, max: 1, noNaN: true }))
  .map(([low, size]) => ({ low, high: Math.min(1, low + size) }))
const sizes = fc.record({
  width: fc.integer({ min: 200, max: 2000 }),
  height: fc.integer({ min: 80, max: 800 }),
})

describe('a viewport', () => {
  it('leads from ticks and travel to px and back', () => {
    fc.assert(
      fc.property(
        spans,
        values,
        sizes,
        fc.double({ min: 0, max: 1, noNaN: true }),
        (span, seen, size, share) => {
          const view = new Viewport(span, size.width, size.height, seen)
          const tick = span.from + share * (span.to - span.from)
          expect(view.tick(view.x(tick))).toBeCloseTo(tick, 3)
          const travel = seen.low + share * (seen.high - seen.low)
          expect(view.travel(view.y(travel))).toBeCloseTo(travel, 6)
        },
      ),
    )
  })

  it('leaves room at all sides, so that the points at the ends can be taken', () => {
    const view = new Viewport({ from: 0, to: LENGTH }, 1000, 300)
    expect([view.x(0), view.x(LENGTH)]).toEqual([14, 940])
    expect([view.y(1), view.y(0)]).toEqual([16, 284])
    expect(view.shown.from).toBeLessThan(0)
    expect(view.shown.to).toBeGreaterThan(LENGTH)
  })

  it('never gives a travel that there is not', () => {
    const view = new Viewport({ from: 0, to: LENGTH }, 1000, 300)
    expect([view.travel(-50), view.travel(500)]).toEqual([1, 0])
  })
})

describe('zooming in time', () => {
  it('stays inside the song and keeps the tick under the pointer', () => {
    fc.assert(
      fc.property(
        spans,
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0.1, max: 10, noNaN: true }),
        (span, share, factor) => {
          const tick = span.from + share * (span.to - span.from)
          const next = zoomAbout(span, tick, factor, LENGTH)
          expect(next.from).toBeGreaterThanOrEqual(-1e-6)
          expect(next.to).toBeLessThanOrEqual(LENGTH + 1e-6)
          expect(next.to - next.from).toBeGreaterThanOrEqual(960 - 1e-6)
          const inside = next.from > 1e-6 && next.to < LENGTH - 1e-6
          if (inside) expect((tick - next.from) / (next.to - next.from)).toBeCloseTo(share, 6)
        },
      ),
    )
  })

  it('of a song shorter than a quarter shows all of it', () => {
    expect(insideSong({ from: 100, to: 200 }, 500)).toEqual({ from: 0, to: 500 })
  })
})

describe('zooming values', () => {
  it('keeps the travel under the pointer, within what there is', () => {
    fc.assert(
      fc.property(
        values,
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0.1, max: 10, noNaN: true }),
        (seen, share, factor) => {
          const travel = seen.low + share * (seen.high - seen.low)
          const next = zoomValues(seen, travel, factor)
          expect(next.low).toBeGreaterThanOrEqual(0)
          expect(next.high).toBeLessThanOrEqual(1 + 1e-9)
          expect(next.high - next.low).toBeGreaterThanOrEqual(0.05 - 1e-9)
          expect(travel).toBeGreaterThanOrEqual(next.low - 1e-9)
          expect(travel).toBeLessThanOrEqual(next.high + 1e-9)
        },
      ),
    )
  })

  it('comes back to all of them', () => {
    expect(zoomValues({ low: 0.4, high: 0.5 }, 0.45, 0.001)).toEqual(ALL_VALUES)
  })
})
