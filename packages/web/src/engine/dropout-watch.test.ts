import { describe, expect, it } from 'vitest'
import { DropoutWatch } from './dropout-watch'

describe('the watch for dropouts', () => {
  it('sees nothing where both clocks run alike, however unevenly they are read', () => {
    const watch = new DropoutWatch()
    for (let ms = 0; ms < 60_000; ms += 16) {
      const jitter = ((ms * 7919) % 40) - 20
      expect(watch.follow(5 + (ms + jitter) / 1000, ms)).toBe(false)
    }
    expect(watch.count).toBe(0)
  })

  it('sees each time that the sound falls behind', () => {
    const watch = new DropoutWatch()
    let clock = 0
    const seen: number[] = []
    for (let ms = 0; ms < 3000; ms += 10) {
      const stuck = (ms >= 1000 && ms < 1100) || (ms >= 2000 && ms < 2200)
      if (!stuck) clock += 0.01
      if (watch.follow(clock, ms)) seen.push(ms)
    }
    expect(seen.length).toBeGreaterThanOrEqual(3)
    expect(seen[0]).toBeGreaterThan(1000)
    expect(watch.count).toBe(seen.length)
  })

  it('sees a slow drift as well, and starts afresh when it is told to', () => {
    const watch = new DropoutWatch()
    for (let ms = 0; ms < 10_000; ms += 20) watch.follow((ms * 0.97) / 1000, ms)
    expect(watch.count).toBeGreaterThanOrEqual(4)
    watch.reset()
    const before = watch.count
    watch.follow(0, 20_000)
    expect(watch.count).toBe(before)
  })
})
