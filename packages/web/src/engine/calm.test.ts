import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, nextTick, shallowRef, type EffectScope } from 'vue'
import { calmly, forgetCalm, useCalm, usePaced, whenAtRest } from './calm'

let scope: EffectScope
beforeEach(() => {
  vi.useFakeTimers()
  scope = effectScope()
})
afterEach(() => {
  scope.stop()
  // whatever waits still is done, and the next test begins at rest
  vi.advanceTimersByTime(5000)
  vi.useRealTimers()
})

describe('calmly', () => {
  it('does the first at once and the last when the hand rests', () => {
    const done = vi.fn()
    for (let at = 0; at < 12; at++) {
      calmly(done)
      vi.advanceTimersByTime(16)
    }
    expect(done).toHaveBeenCalledTimes(1)
    vi.advanceTimersByTime(250)
    expect(done).toHaveBeenCalledTimes(2)
    vi.advanceTimersByTime(2000)
    expect(done).toHaveBeenCalledTimes(2)
    calmly(done)
    expect(done).toHaveBeenCalledTimes(3)
  })

  it('does all of it together, and now and then under a hand that never rests', () => {
    const times: Record<string, number[]> = { one: [], two: [] }
    const note = (name: string) => () => void times[name]!.push(performance.now())
    const [one, two] = [note('one'), note('two')]
    for (let at = 0; at < 300; at++) {
      calmly(one)
      calmly(two)
      vi.advanceTimersByTime(16)
    }
    // 4.8 s
    expect(times.one!.length).toBeGreaterThanOrEqual(6)
    expect(times.one!.length).toBeLessThanOrEqual(8)
    expect(times.two!).toEqual(times.one!.slice(1))
  })

  it('does in the next beat what one of them asks for', () => {
    const asked = vi.fn()
    calmly(vi.fn())
    calmly(() => calmly(asked))
    vi.advanceTimersByTime(250)
    expect(asked).toHaveBeenCalledTimes(0)
    // whoever asks meanwhile is not forgotten either
    const other = vi.fn()
    calmly(other)
    vi.advanceTimersByTime(250)
    expect(asked).toHaveBeenCalledTimes(1)
    expect(other).toHaveBeenCalledTimes(1)
    vi.advanceTimersByTime(2000)
    expect(other).toHaveBeenCalledTimes(1)
  })

  it('does not do what was forgotten', () => {
    const [first, gone] = [vi.fn(), vi.fn()]
    calmly(first)
    calmly(gone)
    forgetCalm(gone)
    vi.advanceTimersByTime(5000)
    expect(gone).not.toHaveBeenCalled()
  })
})

describe('whenAtRest', () => {
  it('waits until it was not asked for so long, then does it once', () => {
    const done = vi.fn()
    const rest = whenAtRest(500, done)
    for (let at = 0; at < 100; at++) {
      rest.ask()
      vi.advanceTimersByTime(16)
    }
    vi.advanceTimersByTime(480)
    expect(done).not.toHaveBeenCalled()
    vi.advanceTimersByTime(30)
    expect(done).toHaveBeenCalledTimes(1)
    vi.advanceTimersByTime(5000)
    rest.ask()
    rest.forget()
    vi.advanceTimersByTime(5000)
    expect(done).toHaveBeenCalledTimes(1)
    rest.ask()
    vi.advanceTimersByTime(500)
    expect(done).toHaveBeenCalledTimes(2)
  })
})

describe('useCalm', () => {
  it('follows at once, then now and then, and arrives at the last value', async () => {
    const hand = shallowRef({ at: 0 })
    const seen = new Set<number>()
    const calm = scope.run(() => useCalm(() => hand.value))!
    for (let at = 1; at <= 120; at++) {
      hand.value = { at }
      await nextTick()
      seen.add(calm.value.at)
      await vi.advanceTimersByTimeAsync(16)
    }
    expect(seen.size).toBeLessThan(6)
    expect(seen.has(1)).toBe(true)
    await vi.advanceTimersByTimeAsync(300)
    expect(calm.value).toBe(hand.value)
  })

  it('is made only when it follows', async () => {
    const hand = shallowRef(0)
    const made = vi.fn(() => hand.value)
    scope.run(() => useCalm(made))
    for (let at = 1; at <= 60; at++) {
      hand.value = at
      await nextTick()
      await vi.advanceTimersByTimeAsync(16)
    }
    expect(made.mock.calls.length).toBeLessThan(5)
  })

  it('holds the thing itself, and follows no longer once its owner is gone', async () => {
    const thing = shallowRef({ points: [1] })
    const calm = scope.run(() => useCalm(() => thing.value))!
    const first = thing.value
    expect(calm.value).toBe(first)
    scope.stop()
    thing.value = { points: [2] }
    await vi.advanceTimersByTimeAsync(1000)
    expect(calm.value).toBe(first)
  })
})

describe('usePaced', () => {
  it('follows at once, then at most so often, and has the last change in the end', async () => {
    const source = shallowRef(0)
    const paced = scope.run(() => usePaced(() => source.value, 100))!
    const seen = new Set<number>()
    for (let n = 1; n <= 60; n++) {
      vi.advanceTimersByTime(16)
      source.value = n
      await nextTick()
      seen.add(paced.value)
    }
    // 960 ms
    expect(seen.size).toBeGreaterThanOrEqual(9)
    expect(seen.size).toBeLessThanOrEqual(11)
    vi.advanceTimersByTime(100)
    expect(paced.value).toBe(60)
    vi.advanceTimersByTime(1000)
    source.value = 61
    expect(paced.value).toBe(61)
  })

  it('ends with whoever asked for it', () => {
    const source = shallowRef(0)
    const paced = scope.run(() => usePaced(() => source.value, 100))!
    source.value = 1
    scope.stop()
    vi.advanceTimersByTime(1000)
    expect(paced.value).toBe(0)
  })
})
