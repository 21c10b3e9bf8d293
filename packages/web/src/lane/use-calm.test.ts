import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, nextTick, shallowRef, type EffectScope } from 'vue'
import { useCalm } from './use-calm'

let scope: EffectScope
beforeEach(() => {
  vi.useFakeTimers()
  scope = effectScope()
})
afterEach(() => {
  scope.stop()
  vi.useRealTimers()
})

describe('useCalm', () => {
  it('follows at once, then now and then, and arrives at the last value', async () => {
    const hand = shallowRef({ at: 0 })
    const seen = new Set<number>()
    const calm = scope.run(() => useCalm(() => hand.value, 100))!
    for (let at = 1; at <= 30; at++) {
      hand.value = { at }
      await nextTick()
      seen.add(calm.value.at)
      await vi.advanceTimersByTimeAsync(10)
    }
    expect(seen.size).toBeLessThan(8)
    expect(seen.has(1)).toBe(true)
    await vi.advanceTimersByTimeAsync(200)
    expect(calm.value).toBe(hand.value)
  })

  it('holds the thing itself', () => {
    const thing = { points: [1] }
    expect(scope.run(() => useCalm(() => thing, 100))!.value).toBe(thing)
  })
})
