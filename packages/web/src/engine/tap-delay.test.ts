import { describe, expect, it } from 'vitest'
import { delayOfTaps, TAPS_NEEDED } from './tap-delay'

const clicks = Array.from({ length: 12 }, (_, i) => i * 800)

describe('the delay of headphones', () => {
  it('is the middle of how late the taps are', () => {
    const wobble = [-30, 20, 5, -10, 40, 0, -5, 15]
    const taps = wobble.map((w, i) => clicks[i]! + 180 + w)
    expect(Math.abs(delayOfTaps(taps, clicks, 600)! - 180)).toBeLessThanOrEqual(10)
  })

  it('is nothing for wires, even where somebody taps a little early', () => {
    expect(
      delayOfTaps(
        clicks.slice(1, 9).map((c) => c - 25),
        clicks,
        600,
      ),
    ).toBe(0)
  })

  it('does not mind a tap that went astray', () => {
    const taps = clicks.slice(0, 8).map((c) => c + 240)
    taps[3] = clicks[3]! + 590
    expect(delayOfTaps(taps, clicks, 600)).toBe(240)
  })

  it('needs a few taps', () => {
    const few = clicks.slice(0, TAPS_NEEDED - 1).map((c) => c + 100)
    expect(delayOfTaps(few, clicks, 600)).toBeNull()
    expect(delayOfTaps([], clicks, 600)).toBeNull()
    // taps before any click belong to none
    expect(delayOfTaps(Array(9).fill(-500), clicks, 600)).toBeNull()
  })
})
