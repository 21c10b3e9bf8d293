import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { useMeters, type MeteredState } from './meters'

beforeEach(() => void vi.useFakeTimers())
afterEach(() => void vi.useRealTimers())

/** A state in which everything is at one level, as a share of full scale. */
const at = (level: number): MeteredState => ({
  peak: () => level,
  trackPeak: (track) => (track === 0 ? level : 0),
  returnPeak: () => 0,
  energy: level ** 2,
  shortTerm: level ** 2,
})

it('shows no peak later than it must, and holds one that came between', () => {
  const meters = useMeters()
  meters.read(at(0.1), 2, 1)
  expect(meters.peak.value).toMatchObject({ now: -20, over: false })
  expect([meters.trackPeaks.value.map((p) => p.now), meters.returnPeaks.value.length]).toEqual([
    [-20, -Infinity],
    1,
  ])
  vi.advanceTimersByTime(10)
  meters.read(at(2), 2, 1)
  // not shown yet, and not missed
  expect(meters.peak.value.now).toBe(-20)
  vi.advanceTimersByTime(40)
  meters.read(at(0), 2, 1)
  expect(meters.peak.value).toMatchObject({ now: -Infinity, over: true })
  expect(meters.peak.value.held).toBeCloseTo(6.02, 2)
  expect(meters.loudness.value).toBe(-Infinity)
})

it('says "over" until somebody has seen it', () => {
  const meters = useMeters()
  meters.read(at(2), 1, 0)
  meters.forgetOver()
  vi.advanceTimersByTime(50)
  meters.read(at(0.5), 1, 0)
  expect([meters.peak.value.over, meters.trackPeaks.value[0]!.over]).toEqual([false, false])
})
