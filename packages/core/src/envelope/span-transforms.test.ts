import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { farthest } from '../../test/samples'
import { arbitraryLine, END, isOrdered, keepsOutside, pan } from '../../test/arbitrary-line'
import { levelScale, switchScale } from '../scale'
import {
  clearSpan,
  copySpan,
  EditRefused,
  holdSpan,
  mirrorSpan,
  moveRest,
  moveSpan,
  point,
  releaseSpan,
  repeatSpan,
  rhythmSpan,
  smoothSpan,
  stamp,
  stretchSpan,
  switchSpan,
  thinSpan,
  tiltSpan,
  travelAt,
  valueAt,
  type Points,
} from '.'

const SONG = END + 8000
const share = fc.double({ min: -0.5, max: 0.5, noNaN: true })

/** What a line does in a stretch, as travels at its quarters of quarters. */
const heard = (points: Points, scale: typeof pan, from: number, to: number) =>
  Array.from({ length: 17 }, (_, i) => travelAt(points, scale, from + ((to - from) * (i + 0.5)) / 17))

describe('tilting, turning round and smoothing', () => {
  it('leave everything outside the span as it was', () => {
    fc.assert(
      fc.property(arbitraryLine, share, ({ points, scale, span }, by) => {
        const tilt = scale.kind === 'level' ? by * 20 : by
        keepsOutside(points, tiltSpan(points, scale, span, tilt, 20), scale, span)
        keepsOutside(points, mirrorSpan(points, scale, span), scale, span)
        keepsOutside(points, smoothSpan(points, scale, span), scale, span)
        keepsOutside(points, thinSpan(points, scale, span), scale, span)
      }),
    )
  })

  it('a tilt grows along the span', () => {
    const line = [point(0, -0.5)]
    const tilted = tiltSpan(line, pan, { from: 1000, to: 3000 }, 0.25, 1)
    expect(valueAt(tilted, pan, 1001)).toBeCloseTo(-0.5, 3)
    expect(valueAt(tilted, pan, 2999)).toBeCloseTo(0, 3)
    expect(valueAt(tilted, pan, 3001)).toBeCloseTo(-0.5, 3)
  })

  it('turned round twice, a line without jumps is what it was', () => {
    fc.assert(
      fc.property(arbitraryLine, ({ points, scale, span }) => {
        const smooth = points.map((p) => (p.form === 'jump' ? { ...p, form: 'straight' as const } : p))
        const once = mirrorSpan(smooth, scale, span)
        const twice = mirrorSpan(once, scale, span)
        const { from, to } = span
        const was = heard(smooth, scale, from, to)
        // a travel too low to be heard is kept as silence
        expect(farthest(heard(twice, scale, from, to), was)).toBeLessThan(0.01)
        expect(farthest(heard(once, scale, from, to).reverse(), was)).toBeLessThan(0.01)
      }),
    )
  })

  it('a jump that is turned round comes before what it led to', () => {
    const line = [point(0, 0, 'jump'), point(1500, 0.8, 'jump'), point(3000, -0.4)]
    const turned = mirrorSpan(line, pan, { from: 1000, to: 2000 })
    expect([1100, 1400, 1600, 1900].map((t) => valueAt(turned, pan, t))).toEqual([0.8, 0.8, 0, 0])
  })

  it('smooth takes the edge off a step and keeps its ends', () => {
    const line = [point(0, -0.5, 'jump'), point(2000, 0.5)]
    const smooth = smoothSpan(line, pan, { from: 0, to: 4000 })
    expect(valueAt(smooth, pan, 0)).toBeCloseTo(-0.5, 6)
    expect(valueAt(smooth, pan, 4000)).toBeCloseTo(0.5, 6)
    expect(Math.abs(valueAt(smooth, pan, 2000))).toBeLessThan(0.2)
  })

  it('thin stays near what was there, with no more points, and its jumps stay', () => {
    const busy = Array.from({ length: 400 }, (_, i) => point(i * 10, -20 + 10 * Math.sin(i / 60)))
    const few = thinSpan(busy, levelScale, { from: 0, to: 3990 })
    expect(few.length).toBeLessThan(40)
    for (const { tick, value } of busy)
      expect(Math.abs(valueAt(few, levelScale, tick) - value)).toBeLessThan(0.6)
    const steps = Array.from({ length: 9 }, (_, i) => point(i * 100, i % 2 ? 0.5 : -0.5, 'jump'))
    const kept = thinSpan(steps, pan, { from: 0, to: 800 })
    for (let t = 0; t < 800; t += 50) expect(valueAt(kept, pan, t)).toBe(valueAt(steps, pan, t))
  })
})

describe('what is moved, stretched or repeated', () => {
  it('is the same in its new place, and leaves what lies beside it', () => {
    fc.assert(
      fc.property(arbitraryLine, fc.integer({ min: -5000, max: 5000 }), ({ points, scale, span }, by) => {
        const moved = moveSpan(points, scale, span, by, SONG)
        const shift = Math.min(SONG - span.to, Math.max(-span.from, by))
        const both = { from: span.from + Math.min(0, shift), to: span.to + Math.max(0, shift) }
        keepsOutside(points, moved, scale, both)
        const [was, is] = [points, moved].map((line, i) =>
          copySpan(line, scale, { from: span.from + i * shift, to: span.to + i * shift }),
        ) as [Points, Points]
        if (shift === 0) return
        const [before, after] = [was, is].map((line) => heard(line, scale, 0, span.to - span.from))
        expect(farthest(after!, before!)).toBeLessThan(1e-6)
      }),
    )
  })

  it('moves with everything after it, and back', () => {
    const line = [point(0, -0.5), point(1000, 0.5), point(2000, 0), point(4000, 1)]
    const later = moveRest(line, pan, 1000, 500, 10_000)
    expect(later.map((p) => p.tick)).toEqual([0, 1000, 1500, 2500, 4500])
    expect([1200, 1500, 2500].map((t) => valueAt(later, pan, t))).toEqual([0.5, 0.5, 0])
    const back = moveRest(later, pan, 1500, -500, 10_000)
    for (let t = 0; t < 4000; t += 125) expect(valueAt(back, pan, t)).toBeCloseTo(valueAt(line, pan, t), 9)
    const short = moveRest(line, pan, 1000, 3500, 5000)
    expect(short.at(-1)!.tick).toBe(5000)
    fc.assert(
      fc.property(arbitraryLine, fc.integer({ min: -9000, max: 9000 }), ({ points, scale, span }, by) => {
        const moved = moveRest(points, scale, span.from, by, SONG)
        isOrdered(moved, scale)
        expect(moved.every((p) => p.tick >= 0 && p.tick <= SONG)).toBe(true)
      }),
    )
  })

  it('stretches: twice as long is half as steep', () => {
    const line = [point(0, -1), point(1000, -1), point(2000, 1), point(9000, 1)]
    const long = stretchSpan(line, pan, { from: 1000, to: 2000 }, 2000)
    expect(valueAt(long, pan, 2000)).toBeCloseTo(0, 6)
    expect(valueAt(long, pan, 3001)).toBeCloseTo(1, 3)
    const short = stretchSpan(line, pan, { from: 1000, to: 2000 }, 500)
    expect(valueAt(short, pan, 1250)).toBeCloseTo(0, 6)
    fc.assert(
      fc.property(arbitraryLine, fc.integer({ min: 4, max: 9000 }), ({ points, scale, span }, length) => {
        const to = Math.max(span.to, span.from + length)
        keepsOutside(points, stretchSpan(points, scale, span, length), scale, { from: span.from, to })
      }),
    )
  })

  it('repeats as often as there is room, and says so where there is none', () => {
    const line = [point(0, -1), point(500, 1), point(1000, -1), point(9000, -1)]
    const thrice = repeatSpan(line, pan, { from: 0, to: 1000 }, 2, 9000)
    expect([500, 1500, 2500, 3500].map((t) => Math.round(valueAt(thrice, pan, t)))).toEqual([1, 1, 1, -1])
    expect(() => repeatSpan(line, pan, { from: 0, to: 1000 }, 3, 1500)).toThrow(EditRefused)
  })
})

describe('a line of two states', () => {
  it('only ever jumps, whatever is done with its bars', () => {
    const changes = fc.uniqueArray(fc.integer({ min: 0, max: END }), { minLength: 1, maxLength: 6 })
    const bars = fc.tuple(fc.integer({ min: 1, max: END }), fc.integer({ min: 120, max: 4000 }))
    fc.assert(
      fc.property(changes, bars, fc.integer({ min: -4000, max: 4000 }), (ticks, [from, length], by) => {
        const line = ticks.sort((a, b) => a - b).map((t, i) => point(t, i % 2, 'jump'))
        const span = { from, to: from + length }
        const s = switchScale
        for (const after of [
          holdSpan(line, s, span, 1),
          switchSpan(line, s, span, false),
          clearSpan(line, s, span),
          mirrorSpan(line, s, span),
          moveSpan(line, s, span, by, SONG),
          moveRest(line, s, from, by, SONG),
          stretchSpan(line, s, span, length * 2),
          stamp(line, s, from, 1, 'jump'),
          rhythmSpan(line, s, span, 240, [true, false], [1, 0]),
        ]) {
          isOrdered(after, s)
          expect(after.every((p) => p.form === 'jump')).toBe(true)
        }
      }),
    )
  })
})

describe('cells', () => {
  it('hold one value, and the line goes on after them as it was', () => {
    fc.assert(
      fc.property(arbitraryLine, ({ points, scale, span }) => {
        const value = scale.toValue(0.6)
        const after = holdSpan(points, scale, span, value)
        keepsOutside(points, after, scale, span)
        for (const u of [0, 0.3, 0.99])
          expect(valueAt(after, scale, span.from + u * (span.to - span.from - 1))).toBeCloseTo(value, 9)
      }),
    )
  })

  it('are cleared again: the line stays where it was before them, and goes on after them as it was', () => {
    fc.assert(
      fc.property(arbitraryLine, ({ points, scale, span }) => {
        const held = holdSpan(points, scale, span, scale.toValue(0.6))
        const cleared = releaseSpan(held, scale, span)
        isOrdered(cleared, scale)
        keepsOutside(held, cleared, scale, span)
        const before = valueAt(held, scale, span.from > 0 ? span.from - 1 : span.to)
        for (const u of [0.01, 0.3, 0.99])
          expect(valueAt(cleared, scale, span.from + u * (span.to - span.from - 1))).toBeCloseTo(before, 9)
      }),
    )
  })

  it('of a switch that are cleared leave nothing of what they did', () => {
    const line = [point(0, 0, 'jump'), point(9600, 1, 'jump')]
    const span = { from: 3840, to: 4800 }
    const cleared = releaseSpan(switchSpan(line, switchScale, span, true), switchScale, span)
    for (const tick of [0, 3839, 3840, 4000, 4799, 4800, 9599, 9600])
      expect(valueAt(cleared, switchScale, tick)).toBe(valueAt(line, switchScale, tick))
  })

  it('make a rhythm of two values', () => {
    const line = [point(0, -6)]
    const beat = rhythmSpan(line, levelScale, { from: 960, to: 4800 }, 480, [true, false], [-6, -90])
    expect([900, 970, 1450, 1930, 4700, 4801].map((t) => Math.round(valueAt(beat, levelScale, t)))).toEqual([
      -6, -6, -90, -6, -90, -6,
    ])
  })
})
