import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { KWeightedEnergy, StereoEnergy, TruePeak } from '../loudness'
import { PIECE, scratch } from '.'

const sound = (seed: number, n: number) => {
  let state = seed
  return new Float32Array(n).map(() => {
    state = (state * 16_807) % 2_147_483_647
    return state / 1_073_741_824 - 1
  })
}
/** The same in the meters' own memory. */
const there = (samples: Float32Array) => {
  const floats = scratch().memory.part().floats(samples.length)
  floats.view.set(samples)
  return floats
}
const lengths = fc.integer({ min: 1, max: 3 * PIECE })
const seeds = fc.integer({ min: 1, max: 1e6 })

describe('what meters do for every sample', () => {
  it('weights two sides as each is weighted by itself, however they come', () => {
    fc.assert(
      fc.property(seeds, lengths, fc.double({ min: 0, max: 1, noNaN: true }), (seed, n, share) => {
        const [left, right] = [sound(seed, n), sound(seed + 1, n)]
        const sides = [there(left), there(right)]
        const cut = Math.floor(n * share)
        const both = new StereoEnergy(44_100)
        const sums = [0, 0]
        for (const [from, to] of [[0, cut] as const, [cut, n] as const]) {
          const out = { left: 0, right: 0 }
          both.sum(sides[0]!, sides[1]!, from, to, out)
          sums[0]! += out.left
          sums[1]! += out.right
        }
        const alone = [left, right].map((side) => new KWeightedEnergy(44_100).sum(side, 0, n))
        expect(sums[0]! / alone[0]!).toBeCloseTo(1, 9)
        expect(sums[1]! / alone[1]!).toBeCloseTo(1, 9)
      }),
      { numRuns: 40 },
    )
  })

  it('writes what it weights where it was', () => {
    fc.assert(
      fc.property(seeds, lengths, (seed, n) => {
        const [left, right] = [sound(seed, n), sound(seed + 1, n)]
        const sides = [there(left), there(right)] as const
        new StereoEnergy(44_100).weigh(...sides, 0, n)
        for (const [side, samples] of [left, right].entries()) {
          const alone = new KWeightedEnergy(44_100)
          const squares = samples.map((_, k) => alone.sum(samples, k, k + 1))
          const furthest = squares.map((square, k) => Math.abs(sides[side]!.view[k]! ** 2 - square))
          expect(Math.max(...furthest)).toBeLessThan(1e-5)
        }
      }),
      { numRuns: 10 },
    )
  })

  it('sums the products of every two signals', () => {
    fc.assert(
      fc.property(
        seeds,
        fc.integer({ min: 1, max: 11 }),
        fc.integer({ min: 1, max: 300 }),
        (seed, count, fours) => {
          const n = 4 * fours
          const memory = scratch().memory.part()
          const rows = memory.floats(count * n)
          rows.view.set(sound(seed, count * n))
          const out = memory.doubles((count * (count + 1)) / 2)
          out.view.fill(7)
          memory.kernels.products(rows.at, count, n, out.at)
          const row = (k: number) => rows.view.subarray(k * n, (k + 1) * n)
          let at = 0
          for (let k = 0; k < count; k++)
            for (let l = 0; l <= k; l++, at++) {
              const sum = row(k).reduce((all, x, i) => all + x * row(l)[i]!, 0)
              expect(Math.abs(out.view[at]! - sum)).toBeLessThan(n * 1e-6)
            }
          memory.release()
        },
      ),
      { numRuns: 60 },
    )
  })

  it('is silent for silence, and once what rang has died away', () => {
    const both = new StereoEnergy(44_100)
    const out = { left: 1, right: 1 }
    const nothing = there(new Float32Array(44_100))
    both.sum(nothing, nothing, 0, 44_100, out)
    expect(out).toEqual({ left: 0, right: 0 })
    both.sum(there(sound(3, 4410)), nothing, 0, 4410, out)
    for (let k = 0; k < 3; k++) both.sum(nothing, nothing, 0, 44_100, out)
    expect(out).toEqual({ left: 0, right: 0 })
  })

  it('finds the same true peak in one piece or in many, and never under the highest sample', () => {
    fc.assert(
      fc.property(seeds, lengths, fc.integer({ min: 1, max: 5000 }), (seed, n, step) => {
        const samples = sound(seed, n)
        const whole = new TruePeak()
        whole.push(samples, 0, n)
        whole.finish()
        const parts = new TruePeak()
        for (let at = 0; at < n; at += step) parts.push(samples, at, Math.min(n, at + step))
        parts.finish()
        expect(parts.peak).toBeCloseTo(whole.peak, 6)
        expect(whole.peak).toBeGreaterThanOrEqual(samples.reduce((a, b) => Math.max(a, Math.abs(b)), 0))
      }),
      { numRuns: 40 },
    )
  })

  it('sums the squares of samples and of the steps between them', () => {
    fc.assert(
      fc.property(seeds, fc.integer({ min: 1, max: PIECE }), (seed, n) => {
        const { kernels, samples: line, out } = scratch()
        const samples = sound(seed, n)
        line.view.set(samples)
        kernels.squares(line.at, n, 0.25, out.at)
        const steps = samples.map((v, i) => v - (i ? samples[i - 1]! : 0.25))
        const squares = (xs: Float32Array) => xs.reduce((sum, v) => sum + v * v, 0)
        expect(out.view[0]).toBeCloseTo(squares(samples), 3)
        expect(out.view[1]).toBeCloseTo(squares(steps), 3)
      }),
      { numRuns: 40 },
    )
  })
})
