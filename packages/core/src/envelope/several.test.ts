import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { arbitraryLine, END, isOrdered, keepsOutside, pan } from '../../test/arbitrary-line'
import { levelScale, type Scale } from '../scale'
import {
  bendOfShare,
  bendShare,
  bendSpan,
  layShape,
  cycleEnds,
  cyclesFor,
  MAX_CYCLES,
  MOST_PACE,
  moveTogether,
  point,
  pointsWithin,
  removePoints,
  setForms,
  setValues,
  SHAPES,
  stamp,
  travelAt,
  valueAt,
  type Chosen,
  type Points,
} from '.'

const line = [point(0, -20), point(1000, -10), point(2000, -90), point(3000, 0)]

describe('several points', () => {
  it('are found in a box', () => {
    expect([...pointsWithin(line, levelScale, [500, 3000], [0.2, 1])]).toEqual([1, 3])
    expect([...pointsWithin(line, levelScale, [500, 3000], [1, 0])]).toEqual([1, 2, 3])
  })

  /** Moves points of one line by so many ticks, and by as much as from one value to another. */
  const move = (
    points: Points,
    scale: Scale,
    chosen: Chosen,
    ticks: number,
    [from, to]: readonly [number, number],
    end: number,
  ) => moveTogether([{ points, scale, chosen }], scale, { ticks, from, to, end })[0]!

  it('move together without crossing those that stay, and silence stays silent', () => {
    const moved = move(line, levelScale, new Set([1, 2]), 5000, [-3, 0], 4000)
    expect(moved.map((p) => p.tick)).toEqual([0, 1999, 2999, 3000])
    expect(moved.map((p) => p.value)).toEqual([-20, -7, -90, 0])
    expect(move(line, levelScale, new Set([3]), 5000, [-44, 6], 4000).at(-1)).toMatchObject({
      tick: 4000,
      value: 6,
    })
  })

  it('of several lines go as one: by the ticks that all of them have room for, by dB or by travel', () => {
    const other = [point(500, -0.5), point(1500, 0.5), point(1600, 0)]
    const lines = [
      { points: line, scale: levelScale, chosen: new Set([1]) },
      { points: other, scale: pan, chosen: new Set([1]) },
    ]
    const [level, sides] = moveTogether(lines, levelScale, { ticks: 400, from: -10, to: -7, end: 4000 })
    expect([level![1]!.tick, sides![1]!.tick]).toEqual([1099, 1599])
    expect(level![1]!.value).toBeCloseTo(-7, 9)
    const way = levelScale.toTravel(-7) - levelScale.toTravel(-10)
    expect(pan.toTravel(sides![1]!.value) - pan.toTravel(0.5)).toBeCloseTo(way, 9)
    expect([level![0], sides![0], sides![2]]).toEqual([line[0], other[0], other[2]])
  })

  it('keep order and range, however they are moved', () => {
    const chosen = fc.uniqueArray(fc.nat(11)).map((list) => new Set(list))
    const share = fc.double({ min: 0, max: 1, noNaN: true })
    const by = fc.tuple(fc.integer({ min: -END, max: END }), share, share)
    fc.assert(
      fc.property(arbitraryLine, chosen, by, ({ points, scale }, set, [ticks, a, b]) => {
        const moved = move(points, scale, set, ticks, [scale.toValue(a), scale.toValue(b)], END)
        isOrdered(moved, scale)
        points.forEach((p, i) => !set.has(i) && expect(moved[i]).toBe(p))
        expect(moved.every((p) => p.tick >= 0 && p.tick <= END)).toBe(true)
      }),
    )
  })

  it('take one form, where another point follows', () => {
    const formed = setForms(line, new Set([1, 3]), 's', 99)
    expect(formed.map((p) => [p.form, p.bend])).toEqual([
      ['straight', 0],
      ['s', 8],
      ['straight', 0],
      ['straight', 0],
    ])
    for (const [form, share] of [
      ['curve', 0.8],
      ['curve', 0.2],
      ['s', 0.1],
      ['s', 0.25],
    ] as const)
      expect(bendShare(form, bendOfShare(form, share, 8))).toBeCloseTo(share, 6)
    // as far as it can be bent, and an S is never turned round
    expect([bendOfShare('curve', 1, 8), bendOfShare('s', 0.4, 8)].map((c) => Math.round(c))).toEqual([-8, 0])
  })

  it('take one value, and go', () => {
    expect(setValues(line, levelScale, new Set([0, 2]), 99).map((p) => p.value)).toEqual([6, -10, 6, 0])
    expect(removePoints(line, new Set([0, 2])).map((p) => p.tick)).toEqual([1000, 3000])
  })
})

describe('a stamp', () => {
  it('is a point that the line leads to, or a jump', () => {
    const soft = stamp(line, levelScale, 500, -3, 'point')
    expect(valueAt(soft, levelScale, 500)).toBeCloseTo(-3, 9)
    expect(valueAt(soft, levelScale, 250)).toBeGreaterThan(-20)
    const hard = stamp(line, levelScale, 500, -3, 'jump')
    expect(valueAt(hard, levelScale, 499)).toBeCloseTo(valueAt(line, levelScale, 499), 6)
    expect(valueAt(hard, levelScale, 500)).toBeCloseTo(-3, 9)
    fc.assert(
      fc.property(arbitraryLine, fc.integer({ min: 1, max: END }), ({ points, scale }, tick) => {
        const after = stamp(points, scale, tick, scale.toValue(0.5), 'jump')
        isOrdered(after, scale)
        expect(valueAt(after, scale, tick)).toBeCloseTo(scale.toValue(0.5), 9)
        for (let t = 0; t < tick; t += 500)
          expect(Math.abs(travelAt(after, scale, t) - travelAt(points, scale, t))).toBeLessThan(1e-6)
      }),
    )
  })
})

describe('bending by the middle', () => {
  it('goes through the place it is dragged to', () => {
    const straight = [point(0, -1), point(1000, 1)]
    for (const travel of [0.1, 0.3, 0.7, 0.9])
      expect(travelAt(bendSpan(straight, pan, 0, travel), pan, 500)).toBeCloseTo(travel, 3)
    expect(bendSpan(straight, pan, 0, 0.505)[0]).toMatchObject({ form: 'straight', bend: 0 })
    expect(bendSpan([point(0, 0), point(1000, 0)], pan, 0, 0.9)[0]).toMatchObject({ form: 'straight' })
  })
})

describe('ready shapes', () => {
  const shapes = fc.record({
    kind: fc.constantFrom(...SHAPES),
    cycles: fc.double({ min: 0.5, max: MAX_CYCLES, noNaN: true }),
    depth: fc.double({ min: -1, max: 1, noNaN: true }),
    centre: fc.double({ min: 0, max: 1, noNaN: true }),
    growth: fc.double({ min: -1, max: 1, noNaN: true }),
    pace: fc.double({ min: 1 / MOST_PACE, max: MOST_PACE, noNaN: true }),
  })

  it('stay in range and leave what lies outside', () => {
    fc.assert(
      fc.property(arbitraryLine, shapes, ({ points, scale, span }, shape) =>
        keepsOutside(points, layShape(points, scale, span, shape), scale, span),
      ),
    )
  })

  it('do what their names say', () => {
    const base = { cycles: 2, depth: 0.5, centre: 0.5, growth: 0, pace: 1 } as const
    const span = { from: 0, to: 8000 }
    const at = (kind: (typeof SHAPES)[number], ...ticks: number[]) => {
      const laid = layShape([point(0, 0)], pan, span, { ...base, kind })
      return ticks.map((t) => Math.round(travelAt(laid, pan, t) * 100) / 100)
    }
    expect(at('ramp', 0, 4000, 7999)).toEqual([0.25, 0.5, 0.75])
    expect(at('swell', 0, 2000, 4000, 6000)).toEqual([0.25, 0.75, 0.25, 0.75])
    expect(at('wave', 0, 1000, 3000, 5000)).toEqual([0.5, 0.75, 0.25, 0.75])
    expect(at('saw', 0, 2000, 3998, 4000)).toEqual([0.75, 0.5, 0.25, 0.75])
    expect(at('pulse', 100, 1900, 2100, 4100)).toEqual([0.75, 0.75, 0.25, 0.75])
    expect(at('steps', 100, 4100)).toEqual([0.25, 0.75])
  })

  it('grow from nothing, or die away', () => {
    const shape = { kind: 'swell', cycles: 4, depth: 0.8, centre: 0.5, pace: 1 } as const
    const span = { from: 0, to: 8000 }
    const tops = (growth: number) => {
      const laid = layShape([point(0, 0)], pan, span, { ...shape, growth })
      return [1000, 3000, 5000, 7000].map((t) => travelAt(laid, pan, t) - 0.5)
    }
    expect(tops(1)).toEqual([...tops(1)].sort((a, b) => a - b))
    expect(tops(-1)).toEqual([...tops(-1)].sort((a, b) => b - a))
    expect(tops(1)[0]).toBeLessThan(0.1)
  })

  it('speed up or slow down: from one beat each to a quarter of one', () => {
    const span = { from: 0, to: 8 * 960 }
    const ends = cyclesFor(1 / 8, 1 / 32)
    const laid = layShape([point(0, 0)], pan, span, {
      kind: 'pulse',
      depth: 0.5,
      centre: 0.5,
      growth: 0,
      ...ends,
    })
    const begins = laid.filter((p) => travelAt(laid, pan, p.tick) > 0.5).map((p) => p.tick)
    const lengths = begins.slice(1).map((tick, i) => tick - begins[i]!)
    expect(lengths).toEqual([...lengths].sort((a, b) => b - a))
    expect(Math.abs(lengths[0]! / 960 - 1)).toBeLessThan(0.1)
    expect(Math.abs((8 * 960 - begins.at(-1)!) / 240 - 1)).toBeLessThan(0.1)
    const slower = cyclesFor(1 / 32, 1 / 8)
    expect(slower.cycles).toBe(ends.cycles)
    expect(slower.pace).toBeCloseTo(1 / ends.pace, 3)
  })

  it('are as long at both ends as was asked, as nearly as whole cycles allow', () => {
    const share = fc.double({ min: 1 / 64, max: 1 / 4, noNaN: true })
    fc.assert(
      fc.property(share, share, (first, last) => {
        const made = cyclesFor(first, last)
        expect(Number.isInteger(made.cycles)).toBe(true)
        const is = cycleEnds(made)
        expect(is.first / is.last / (first / last)).toBeCloseTo(1, 2)
        // half a cycle more or less, spread over all of them
        expect(Math.abs(is.first / first - 1)).toBeLessThan(0.75 / made.cycles + 0.1)
      }),
    )
    expect(cyclesFor(1 / 4, 1 / 4)).toEqual({ cycles: 4, pace: 1 })
    expect(cyclesFor(1, 1)).toEqual({ cycles: 1, pace: 1 })
  })
})
