import { point } from '@rudlo/core/envelope'
import { MIXER_CONTROLS } from '@rudlo/core/scale'
import { MeterMap } from '@rudlo/core/time'
import fc from 'fast-check'
import { expect, it } from 'vitest'
import { bubbleOf } from './draw-bubble'
import { Viewport } from './viewport'

const { level, pan } = MIXER_CONTROLS
const meter = new MeterMap([{ tick: 0, beats: 4, unit: 4 }])
const view = new Viewport({ from: 0, to: 64 * 3840 }, 900, 300)
const told = { index: 0, began: null, finger: false }

it('says the value, how far it was moved and what that sounds like, and where it is', () => {
  const moved = bubbleOf(point(32 * 960, -6), { ...told, began: -12 }, level, meter, view)
  expect(moved).toMatchObject({ value: '−6.0 dB', change: '+6.0' })
  expect(moved.lines).toEqual(['twice the amplitude', 'bar 9, beat 1'])
  const still = bubbleOf(point(0, -6), { ...told, began: -6.01 }, level, meter, view)
  expect(still).toMatchObject({ change: '', lines: ['bar 1, beat 1'] })
})

it('says nothing of how far a new point, or one that is silent, was moved', () => {
  expect(bubbleOf(point(0, -6), told, level, meter, view).change).toBe('')
  expect(bubbleOf(point(0, -90), { ...told, began: -3 }, level, meter, view)).toMatchObject({
    value: 'silent',
    change: '',
  })
  expect(bubbleOf(point(0, 0.5), { ...told, began: 0 }, pan, meter, view).lines).toHaveLength(1)
})

it('lies inside the lane, never on its point, and higher and larger for a finger', () => {
  const tick = fc.integer({ min: 0, max: 64 * 3840 })
  fc.assert(
    fc.property(tick, fc.double({ min: -90, max: 6, noNaN: true }), fc.boolean(), (at, value, finger) => {
      const bubble = bubbleOf(point(at, value), { ...told, began: 0, finger }, level, meter, view)
      expect(bubble.left).toBeGreaterThanOrEqual(0)
      expect(bubble.left + bubble.width).toBeLessThanOrEqual(view.width)
      expect(bubble.top).toBeGreaterThanOrEqual(0)
      expect(bubble.top + bubble.height).toBeLessThanOrEqual(view.height)
      const y = view.y(level.scale.toTravel(value))
      const clear = bubble.top + bubble.height <= y - (finger ? 40 : 10) || bubble.top >= y + 10
      expect(clear).toBe(true)
    }),
  )
  const [mouse, finger] = [false, true].map((f) =>
    bubbleOf(point(30_000, -20), { ...told, finger: f }, level, meter, view),
  )
  expect(finger!.top).toBeLessThan(mouse!.top)
  expect(finger!.height).toBeGreaterThan(mouse!.height)
})
