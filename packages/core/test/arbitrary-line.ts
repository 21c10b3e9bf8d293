import fc from 'fast-check'
import { expect } from 'vitest'
import { farthest } from './samples'
import { FORMS, point, travelAt, type Form, type LineSpan, type Points } from '../src/envelope'
import { levelScale, linearScale, logScale, type Scale } from '../src/scale'

/** The last tick at which an arbitrary line has a point. */
export const END = 20_000

export const pan = linearScale(-1, 1)
export const cutOff = logScale(20, 20_000)
export const scales = fc.constantFrom<Scale>(levelScale, pan, cutOff)

/** Points as they may lie, by travel: on what scale is said later. */
export const arbitraryPlaces = (end: number) =>
  fc.uniqueArray(
    fc.record({
      tick: fc.integer({ min: 0, max: end }),
      travel: fc.double({ min: 0, max: 1, noNaN: true }),
      form: fc.constantFrom(...FORMS),
      bend: fc.double({ min: 0, max: 8, noNaN: true }),
    }),
    { selector: (p) => p.tick, minLength: 1, maxLength: 12 },
  )

/** The same as a line on a scale. */
export const pointsOn = (
  scale: Scale,
  places: readonly { tick: number; travel: number; form: Form; bend: number }[],
): Points =>
  places
    .toSorted((a, b) => a.tick - b.tick)
    .map(({ tick, travel, form, bend }) =>
      // an S whose very middle is below what can be heard cannot be cut exactly: none ends just above silence
      point(
        tick,
        scale.toValue(travel < 0.05 ? 0 : travel),
        form,
        form === 'curve' || form === 's' ? bend : 0,
      ),
    )

/** Any line for a scale, and any span of it. */
export const arbitraryLine = scales.chain((scale) =>
  fc.record({
    scale: fc.constant(scale),
    points: arbitraryPlaces(END).map((places) => pointsOn(scale, places)),
    span: fc
      .tuple(fc.integer({ min: 1, max: END }), fc.integer({ min: 10, max: 6000 }))
      .map(([from, length]) => ({ from, to: from + length })),
  }),
)

/** Holds that ticks rise strictly and values are in range. */
export function isOrdered(points: Points, scale: Scale): void {
  const off = points.filter(
    (p, i) => (i && p.tick <= points[i - 1]!.tick) || !(p.value >= scale.min && p.value <= scale.max),
  )
  expect(off).toEqual([])
}

/**
 * Holds that order and range are kept, and that outside the span the line is as it was at every tick, within 1e-6 of travel. What
 * lies between two ticks may be as either: where a line falls silent it ends with its last audible tick.
 */
export function keepsOutside(before: Points, after: Points, scale: Scale, span: LineSpan, jumps = 0): void {
  isOrdered(after, scale)
  const ticks = Array.from({ length: 61 }, (_, k) => Math.round((k / 60) * (END + 8000))).filter(
    (tick) => tick <= span.from - 1 - jumps || tick >= span.to + 1 + jumps,
  )
  const [was, is] = [before, after].map((line) => ticks.map((tick) => travelAt(line, scale, tick)))
  expect(farthest(is!, was!)).toBeLessThan(1e-6)
}
