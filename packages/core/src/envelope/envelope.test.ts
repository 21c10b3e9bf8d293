import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { levelScale, linearScale, logScale, switchScale, type Scale } from '../scale'
import {
  addPoint,
  bendThrough,
  changedSpan,
  compileLine,
  curveAt,
  cut,
  EditRefused,
  formAt,
  LineCursor,
  MAX_POINTS,
  movePoint,
  point,
  removePoint,
  setForm,
  travelAt,
  valueAt,
  type Form,
  type Points,
} from '.'

const SCALES: readonly Scale[] = [levelScale, linearScale(-1, 1), logScale(20, 20_000)]

/** Any line for a scale: every form, silent stretches included. */
const lines = (scale: Scale): fc.Arbitrary<Points> =>
  fc
    .array(
      fc.record({
        gap: fc.integer({ min: 1, max: 4000 }),
        travel: fc.oneof(fc.constant(0), fc.double({ min: 0, max: 1, noNaN: true })),
        form: fc.constantFrom<Form>('straight', 'curve', 's', 'jump'),
        bend: fc.double({ min: -8, max: 8, noNaN: true }),
      }),
      { minLength: 1, maxLength: 12 },
    )
    .map((drawn) => {
      let tick = -1
      return drawn.map(({ gap, travel, form, bend }) => {
        tick += gap
        const kept = form === 'curve' ? bend : form === 's' ? Math.abs(bend) : 0
        return { tick, value: scale.toValue(travel), form, bend: kept }
      })
    })

const drawn = fc.constantFrom(...SCALES).chain((scale) => fc.tuple(fc.constant(scale), lines(scale)))
const ticks = fc.integer({ min: 0, max: 50_000 })

const isOrdered = (points: Points) => points.every((p, i) => i === 0 || p.tick > points[i - 1]!.tick)
const isInRange = (points: Points, scale: Scale) =>
  points.every(({ value }) => value >= scale.min && value <= scale.max)

describe('forms', () => {
  it('run from 0 to 1 and never turn back', () => {
    fc.assert(
      fc.property(
        fc.constantFrom<Form>('straight', 'curve', 's'),
        fc.double({ min: -8, max: 8, noNaN: true }),
        (form, bend) => {
          const at = Array.from({ length: 21 }, (_, i) => formAt(form, bend, i / 20))
          expect(at[0]).toBeCloseTo(0, 12)
          expect(at[20]).toBeCloseTo(1, 12)
          at.forEach((v, i) => i && expect(v).toBeGreaterThanOrEqual(at[i - 1]! - 1e-12))
        },
      ),
    )
  })

  it('lean as they are named', () => {
    expect(curveAt(-4, 0.5)).toBeGreaterThan(0.8)
    expect(curveAt(4, 0.5)).toBeLessThan(0.2)
    expect(curveAt(0, 0.3)).toBe(0.3)
    expect([formAt('jump', 0, 0.99), formAt('jump', 0, 1)]).toEqual([0, 1])
  })

  it('find the bend through a place in the middle', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.03, max: 0.97, noNaN: true }), (share) => {
        expect(curveAt(bendThrough(share, 8), 0.5)).toBeCloseTo(share, 6)
      }),
    )
  })
})

describe('evaluation', () => {
  const fade = [point(960, -90), point(4800, 0)]

  it('holds the first value before the first point and the last after the last', () => {
    expect(valueAt(fade, levelScale, 0)).toBe(-90)
    expect(valueAt(fade, levelScale, 99_999)).toBeCloseTo(0, 12)
    expect(() => travelAt([], levelScale, 0)).toThrow(RangeError)
  })

  it('is straight in travel, not in dB', () => {
    expect(travelAt(fade, levelScale, 2880)).toBeCloseTo(0.375, 12)
    expect(valueAt(fade, levelScale, 2880)).toBeCloseTo(-14.455, 2)
  })

  it('is the same point by point and through a cursor, forwards and back', () => {
    fc.assert(
      fc.property(drawn, fc.array(ticks, { minLength: 1, maxLength: 60 }), ([scale, points], places) => {
        const cursor = new LineCursor(compileLine(points, scale))
        for (const tick of places) expect(cursor.travelAt(tick)).toBe(travelAt(points, scale, tick))
      }),
    )
  })

  it('passes through its points', () => {
    fc.assert(
      fc.property(drawn, ([scale, points]) => {
        for (const p of points) expect(travelAt(points, scale, p.tick)).toBe(scale.toTravel(p.value))
      }),
    )
  })
})

describe('two lines', () => {
  it('are the same wherever they are not said to differ', () => {
    const compiled = (points: Points) => compileLine(points, levelScale)
    fc.assert(
      fc.property(lines(levelScale), lines(levelScale), fc.nat(), (one, other, at) => {
        // the second shares its beginning and its end with the first
        const cutAt = at % one.length
        const middle = other.filter(
          (p) => (cutAt === 0 || p.tick > one[cutAt - 1]!.tick) && (!one[cutAt] || p.tick < one[cutAt]!.tick),
        )
        const two = [...one.slice(0, cutAt), ...middle, ...one.slice(cutAt)]
        const span = changedSpan(compiled(one), compiled(two))
        if (!middle.length) expect(span).toBeNull()
        const [a, b] = [new LineCursor(compiled(one)), new LineCursor(compiled(two))]
        for (let tick = 0; tick < 20_000; tick += 173)
          if (!span || tick <= span.from || tick >= span.to) expect(b.travelAt(tick)).toBe(a.travelAt(tick))
      }),
    )
  })
})

describe('cut', () => {
  it('leaves the line as it was, within a millionth of the travel', () => {
    fc.assert(
      fc.property(drawn, ticks, fc.array(ticks, { maxLength: 40 }), ([scale, points], at, places) => {
        const parts = cut(points, scale, at)
        expect(parts.some((p) => p.tick === at)).toBe(true)
        expect(isOrdered(parts)).toBe(true)
        for (const tick of [...places, at, at + 1, Math.max(0, at - 1)]) {
          // an S of an odd number of ticks has its middle between two: there alone the halves meet a tick off
          const i = points.findLastIndex((p) => p.tick <= tick)
          const odd = points[i]?.form === 's' && ((points[i + 1]?.tick ?? 0) - points[i]!.tick) % 2 === 1
          if (odd) continue
          const before = travelAt(points, scale, tick)
          const after = travelAt(parts, scale, tick)
          // a jump out of silence may fall between two ticks of the silent part
          const tolerance = before <= scale.silentBelow * 1.5 ? scale.silentBelow * 1.5 : 1e-6
          expect(Math.abs(after - before)).toBeLessThanOrEqual(tolerance + 1e-6)
        }
      }),
      { numRuns: 400 },
    )
  })

  it('makes nothing where there is a point, or no line', () => {
    const points = [point(0, -6), point(960, 0)]
    expect(cut(points, levelScale, 960)).toBe(points)
    expect(cut([], levelScale, 5)).toEqual([])
  })
})

describe('edits', () => {
  type Edit = (points: Points, scale: Scale) => Points
  const edits: fc.Arbitrary<Edit> = fc.oneof(
    fc.tuple(ticks, fc.double({ min: -1e5, max: 1e5, noNaN: true })).map(
      ([tick, value]): Edit =>
        (p, s) =>
          addPoint(p, s, tick, value),
    ),
    fc.tuple(fc.nat(12), ticks, fc.double({ min: -1e5, max: 1e5, noNaN: true })).map(
      ([index, tick, value]): Edit =>
        (p, s) =>
          movePoint(p, s, index, tick, value),
    ),
    fc.nat(12).map(
      (index): Edit =>
        (p) =>
          removePoint(p, index),
    ),
    fc
      .tuple(
        fc.nat(12),
        fc.constantFrom<Form>('straight', 'curve', 's', 'jump'),
        fc.double({ min: -20, max: 20, noNaN: true }),
      )
      .map(
        ([index, form, bend]): Edit =>
          (p) =>
            setForm(p, index, form, bend),
      ),
  )

  it('keep order and range, and change nothing in place', () => {
    fc.assert(
      fc.property(drawn, fc.array(edits, { maxLength: 20 }), ([scale, start], sequence) => {
        let points = start
        for (const edit of sequence) {
          const frozen = JSON.stringify(points)
          const next = edit(points, scale)
          expect(JSON.stringify(points)).toBe(frozen)
          points = next
          expect(isOrdered(points)).toBe(true)
          expect(isInRange(points, scale)).toBe(true)
          expect(points.every(({ tick }) => Number.isInteger(tick) && tick >= 0)).toBe(true)
        }
      }),
    )
  })

  it('adding leaves every other point alone', () => {
    fc.assert(
      fc.property(drawn, ticks, ([scale, points], tick) => {
        const next = addPoint(points, scale, tick, scale.max)
        const kept = next.filter((p) => p.tick !== tick).map(({ tick: t, value }) => [t, value])
        expect(kept).toEqual(points.filter((p) => p.tick !== tick).map(({ tick: t, value }) => [t, value]))
      }),
    )
  })

  it('moving pushes against neighbours and never crosses', () => {
    const points = [point(0, 0), point(960, 0), point(1920, 0)]
    expect(movePoint(points, levelScale, 1, 99_999, -3)[1]).toMatchObject({ tick: 1919, value: -3 })
    expect(movePoint(points, levelScale, 1, -50, 99)[1]).toMatchObject({ tick: 1, value: 6 })
    expect(movePoint(points, levelScale, 1, 960, 0)).toBe(points)
    expect(movePoint(points, levelScale, 7, 0, 0)).toBe(points)
  })

  it('a two-state lane only jumps', () => {
    const points = addPoint(addPoint([], switchScale, 0, 0), switchScale, 960, 1)
    expect(points.map((p) => p.form)).toEqual(['jump', 'jump'])
  })

  it('refuses the point that would be too many, with a reason', () => {
    const full = Array.from({ length: MAX_POINTS }, (_, i) => point(i * 2, -6))
    expect(() => addPoint(full, levelScale, 1, 0)).toThrow(EditRefused)
    expect(addPoint(full, levelScale, 2, 0)).toHaveLength(MAX_POINTS)
  })
})
