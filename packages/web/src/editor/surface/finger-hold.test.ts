import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { fingerHold } from './finger-hold'

beforeEach(() => void vi.useFakeTimers())
afterEach(() => void vi.useRealTimers())

it('does it once for a finger that lies still, trembling or not', () => {
  const done = vi.fn()
  const hold = fingerHold()
  hold.down(100, 100, done)
  hold.move(103, 98)
  vi.advanceTimersByTime(440)
  expect(done).not.toHaveBeenCalled()
  vi.advanceTimersByTime(2000)
  expect(done).toHaveBeenCalledTimes(1)
})

it('does nothing for a finger that goes somewhere, or goes up before', () => {
  const done = vi.fn()
  const hold = fingerHold()
  hold.down(100, 100, done)
  hold.move(120, 100)
  vi.advanceTimersByTime(2000)
  hold.down(100, 100, done)
  vi.advanceTimersByTime(200)
  hold.end()
  vi.advanceTimersByTime(2000)
  expect(done).not.toHaveBeenCalled()
})
