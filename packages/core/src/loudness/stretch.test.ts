import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { ChannelMeter } from './channel'
import { hopCount, hopStart, measureStretch } from './stretch'

/** A sound that swells, with noise and a step in it. */
function sound(frames: number, seed: number): Float32Array {
  let state = seed
  return new Float32Array(frames).map((_, n) => {
    state = (state * 48_271) % 2_147_483_647
    const swell = 0.4 + 0.35 * Math.sin(n / 9000)
    return swell * (Math.sin(n * 0.3) + 0.3 * (state / 1_073_741_824 - 1)) + (n > frames / 2 ? 0.2 : 0)
  })
}

/** Measured in stretches that end at these hops. */
function inStretches(channels: readonly Float32Array[], rate: number, ends: readonly number[]) {
  const frames = channels[0]!.length
  const count = hopCount(frames, rate)
  const hops = channels.map(() => new Float64Array(count))
  const peaks = channels.map(() => 0)
  const bounds = [0, ...new Set(ends.map((end) => Math.min(count, end)).sort((a, b) => a - b)), count]
  for (let i = 0; i + 1 < bounds.length; i++) {
    const isLast = i + 2 === bounds.length
    measureStretch(
      (channel, from, to) => channels[channel]!.slice(from, to),
      channels.map((_, c) => c),
      { rate, frames, firstHop: bounds[i]!, endHop: bounds[i + 1]!, isLast },
      hops,
    ).forEach((peak, c) => (peaks[c] = Math.max(peaks[c]!, peak)))
  }
  return channels.map((_, c) => ({ hops: hops[c]!, peak: peaks[c]! }))
}

describe('a sound that is measured in stretches', () => {
  it('is what it is as a whole, wherever it is divided', () => {
    const rates = fc.constantFrom(44_100, 48_000, 22_050)
    const ends = fc.array(fc.integer({ min: 1, max: 30 }), { maxLength: 4 })
    const seconds = fc.double({ min: 0.05, max: 3, noNaN: true })
    fc.assert(
      fc.property(rates, ends, seconds, fc.integer({ min: 1, max: 2 }), (rate, cuts, length, sides) => {
        const channels = Array.from({ length: sides }, (_, c) => sound(Math.round(length * rate), 7 + c))
        const found = inStretches(channels, rate, cuts)
        for (const [c, samples] of channels.entries()) {
          const whole = new ChannelMeter(rate)
          whole.push(samples)
          const { hops, peak } = whole.finish()
          expect(found[c]!.peak).toBe(peak)
          expect(found[c]!.hops).toHaveLength(hops.length)
          hops.forEach((energy, i) => expect(Math.abs(found[c]!.hops[i]! / energy - 1)).toBeLessThan(1e-9))
        }
      }),
      { numRuns: 40 },
    )
  })

  it('has as many hops as there are whole tenths of a second', () => {
    expect([0, 4409, 4410, 44_099, 44_100].map((frames) => hopCount(frames, 44_100))).toEqual([
      0, 0, 1, 9, 10,
    ])
    expect(hopStart(3, 22_050)).toBe(6615)
  })
})
