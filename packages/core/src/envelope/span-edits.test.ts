import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { levelScale, switchScale } from '../scale'
import {
  begun,
  clearSpan,
  copySpan,
  pasteAt,
  point,
  replaceSpan,
  scaleSpan,
  shiftSpan,
  switchSpan,
  thin,
  travelAt,
  valueAt,
  type Points,
} from '.'
import { farthest } from '../../test/samples'
import { arbitraryLine, END, keepsOutside, pan, scales } from '../../test/arbitrary-line'

const near = (is: readonly number[], expected: readonly number[]) =>
  expect(farthest(is, expected)).toBeLessThan(5e-7)

describe('an edit of a span', () => {
  it('shifts inside and leaves everything outside', () => {
    fc.assert(
      fc.property(
        arbitraryLine,
        fc.double({ min: -12, max: 12, noNaN: true }),
        fc.nat(3000),
        (c, by, slope) => {
          const shift = c.scale.kind === 'level' ? by : by / 20
          keepsOutside(c.points, shiftSpan(c.points, c.scale, c.span, shift, slope), c.scale, c.span)
        },
      ),
    )
  })

  it('shifts a level by what was said, and silence stays silent', () => {
    const line = [point(0, -10), point(4000, -90), point(8000, -20)]
    const after = shiftSpan(line, levelScale, { from: 1000, to: 7000 }, 3, 200)
    expect(valueAt(after, levelScale, 4000)).toBe(-90)
    expect(valueAt(after, levelScale, 1000)).toBeCloseTo(valueAt(line, levelScale, 1000), 9)
    expect(valueAt(after, levelScale, 6800)).toBeCloseTo(valueAt(line, levelScale, 6800) + 3, 6)
    const level = shiftSpan([point(0, -6)], levelScale, { from: 960, to: 1920 }, -3, 1)
    near(
      [500, 961, 1500, 1919, 2500].map((t) => valueAt(level, levelScale, t)),
      [-6, -9, -9, -9, -6],
    )
  })

  it('scales about the mean: nought is level, minus one turns it over', () => {
    const line = [point(0, -0.5), point(1000, 0.5)]
    const flat = scaleSpan(line, pan, { from: 0, to: 1000 }, 0)
    expect(valueAt(flat, pan, 500)).toBeCloseTo(0, 9)
    const over = scaleSpan(line, pan, { from: 0, to: 1000 }, -1)
    expect(valueAt(over, pan, 250)).toBeCloseTo(0.25, 2)
    fc.assert(
      fc.property(arbitraryLine, fc.double({ min: -2, max: 2, noNaN: true }), (c, factor) => {
        keepsOutside(c.points, scaleSpan(c.points, c.scale, c.span, factor), c.scale, c.span)
      }),
    )
  })

  it('replaces, clears, and jumps where it has to', () => {
    fc.assert(
      fc.property(arbitraryLine, fc.double({ min: 0, max: 1, noNaN: true }), (c, travel) => {
        const value = c.scale.toValue(travel)
        const inner = [point(c.span.from, value), point(c.span.to, value)]
        const after = replaceSpan(c.points, c.scale, c.span, inner)
        expect(valueAt(after, c.scale, (c.span.from + c.span.to) / 2)).toBeCloseTo(value, 6)
        const first = c.points[0]!.tick
        const last = c.points.at(-1)!.tick
        // where nothing was drawn before or after, the new points hold there
        if (first < c.span.from && last > c.span.to) keepsOutside(c.points, after, c.scale, c.span, 1)
        const cleared = clearSpan(c.points, c.scale, c.span)
        keepsOutside(c.points, cleared, c.scale, c.span)
        expect(cleared.some((p) => p.tick > c.span.from && p.tick < c.span.to)).toBe(false)
      }),
    )
  })

  it('switches a two-state line, which never stands between', () => {
    const none = begun([], switchScale, 0)
    const muted = switchSpan(none, switchScale, { from: 960, to: 1920 }, true)
    const at = (line: Points, tick: number) => valueAt(line, switchScale, tick)
    expect([0, 959, 960, 1919, 1920, 5000].map((t) => at(muted, t))).toEqual([0, 0, 1, 1, 0, 0])
    const less = switchSpan(muted, switchScale, { from: 1200, to: 1440 }, false)
    expect([1000, 1300, 1500, 2000].map((t) => at(less, t))).toEqual([1, 0, 1, 0])
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(5000), fc.integer({ min: 1, max: 3000 }), fc.boolean()), { maxLength: 8 }),
        (spans) => {
          const line = spans.reduce<Points>(
            (l, [from, length, on]) => switchSpan(l, switchScale, { from, to: from + length }, on),
            none,
          )
          line.forEach((p, i) => {
            if (i) expect(p.tick).toBeGreaterThan(line[i - 1]!.tick)
            expect([0, 1]).toContain(p.value)
            expect(p.form).toBe('jump')
          })
        },
      ),
    )
  })

  it('pastes what was copied as it was', () => {
    fc.assert(
      fc.property(arbitraryLine, fc.integer({ min: 0, max: END }), (c, at) => {
        const copied = copySpan(c.points, c.scale, c.span)
        const length = c.span.to - c.span.from
        const after = pasteAt(c.points, c.scale, copied, length, at)
        for (let k = 0; k < 20; k++) {
          const tick = Math.floor((k / 20) * length)
          const there = travelAt(after, c.scale, at + tick)
          expect(Math.abs(there - travelAt(c.points, c.scale, c.span.from + tick))).toBeLessThan(1e-6)
        }
        expect(copySpan(pasteAt(c.points, c.scale, copied, length, c.span.from), c.scale, c.span)[0]).toEqual(
          copied[0],
        )
      }),
    )
  })
})

describe('thinning', () => {
  const hand = fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 3, maxLength: 60 })

  it('stays within its bound of every sample', () => {
    fc.assert(
      fc.property(scales, hand, (scale, travels) => {
        const samples = travels.map((t, i) => ({ tick: i * 40, value: scale.toValue(t) }))
        const line = thin(samples, scale)
        for (const { tick, value } of samples) {
          const is = valueAt(line, scale, tick)
          const off = Math.abs(scale.toTravel(is) - scale.toTravel(value))
          const db = scale.kind === 'level' ? Math.abs(is - value) : Infinity
          expect(off < 0.005 + 1e-9 || db < 0.25 + 1e-6).toBe(true)
        }
      }),
    )
  })

  it('leaves two points of a straight line, and few of a curve', () => {
    const straight = Array.from({ length: 500 }, (_, i) => ({ tick: i * 10, value: -1 + i / 250 }))
    expect(thin(straight, pan)).toHaveLength(2)
    const wave = Array.from({ length: 1000 }, (_, i) => ({ tick: i * 10, value: Math.sin(i / 80) }))
    expect(thin(wave, pan).length).toBeLessThan(50)
  })

  it('needs at most a fifth more points than the fewest there can be', () => {
    /** The fewest points by trying every span: dynamic programming, sharing nothing with the greedy way. */
    const fewest = (travels: readonly number[]) => {
      const best = [1]
      for (let i = 1; i < travels.length; i++) {
        best[i] = Infinity
        for (let k = 0; k < i; k++) {
          const fits = travels
            .slice(k, i + 1)
            .every((t, n) => Math.abs(t - travels[k]! - ((travels[i]! - travels[k]!) * n) / (i - k)) <= 0.005)
          if (fits) best[i] = Math.min(best[i]!, best[k]! + 1)
        }
      }
      return best.at(-1)!
    }
    let seed = 7
    const noise = () => (seed = (seed * 48_271) % 2_147_483_647) / 2_147_483_647
    let greedy = 0
    let optimal = 0
    for (let run = 0; run < 40; run++) {
      const travels = Array.from(
        { length: 40 },
        (_, i) => 0.5 + 0.3 * Math.sin(i / (4 + 8 * noise())) * noise() ** 0.1,
      )
      greedy += thin(
        travels.map((t, i) => ({ tick: i * 10, value: pan.toValue(t) })),
        pan,
      ).length
      optimal += fewest(travels)
    }
    expect(greedy).toBeLessThanOrEqual(optimal * 1.2)
  })
})
