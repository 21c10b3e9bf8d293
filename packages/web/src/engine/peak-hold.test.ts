import { describe, expect, it } from 'vitest'
import { PeakHold, PeakHolds } from './peak-hold'

describe('a held peak', () => {
  it('stays for a moment, then falls to what is there', () => {
    const hold = new PeakHold()
    expect(hold.follow(-6, 0).held).toBe(-6)
    expect(hold.follow(-20, 1000)).toEqual({ now: -20, held: -6, over: false })
    expect(hold.follow(-20, 1600).held).toBe(-20)
  })

  it('rises at once, and is held anew', () => {
    const hold = new PeakHold()
    hold.follow(-12, 0)
    hold.follow(-3, 1400)
    expect(hold.follow(-40, 2800).held).toBe(-3)
    expect(hold.follow(-40, 3000).held).toBe(-40)
  })

  it('says over until it is told to forget', () => {
    const hold = new PeakHold()
    expect(hold.follow(0, 0).over).toBe(false)
    expect(hold.follow(0.1, 10).over).toBe(true)
    expect(hold.follow(-30, 60_000).over).toBe(true)
    hold.forget()
    expect(hold.follow(-30, 60_010)).toEqual({ now: -30, held: -30, over: false })
  })

  it('is the same object while nothing changes', () => {
    const holds = new PeakHolds()
    const first = holds.follow([-6, -Infinity], 0)
    expect(holds.follow([-6, -Infinity], 100)).toBe(first)
    expect(holds.follow([-6, -60], 200)).not.toBe(first)
  })

  it('follows as many meters as there are', () => {
    const holds = new PeakHolds()
    expect(holds.follow([-1, 2], 0).map((h) => h.over)).toEqual([false, true])
    expect(holds.follow([-1, -1, -1], 10)).toHaveLength(3)
    holds.forget()
    expect(holds.follow([-9], 20)).toEqual([{ now: -9, held: -9, over: false }])
  })
})
