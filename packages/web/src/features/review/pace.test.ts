import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, it, vi } from 'vitest'
import { usePace } from './pace'

const kept = new Map<string, string>()
vi.mock('../../browser/kept', () => ({
  kept: (key: string) => kept.get(key) ?? null,
  keep: (key: string, value: string) => kept.set(key, value),
}))

beforeEach(() => {
  kept.clear()
  setActivePinia(createPinia())
})

it('says how long the rest takes by the middle one of the last, and nothing before there is one', () => {
  const pace = usePace()
  expect(pace.minutesFor(3)).toBeNull()
  for (const [i, seconds] of [60, 120, 600].entries()) {
    pace.laid(`h${i}`, 1000)
    // it is looked at again: the time goes on
    pace.laid(`h${i}`, 5000)
    pace.decided(1000 + seconds * 1000)
  }
  expect(pace.minutesFor(4)).toBe(8)
  setActivePinia(createPinia())
  expect(usePace().minutesFor(4)).toBe(8)
})

it('leaves out what lay there over lunch, and what is no number', () => {
  kept.set('rudlo-review-pace', '60 nonsense -3')
  const pace = usePace()
  pace.laid('h', 0)
  pace.decided(3_600_000)
  expect(pace.minutesFor(2)).toBe(2)
})
