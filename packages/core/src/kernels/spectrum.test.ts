import { describe, expect, it } from 'vitest'
import { EngineMemory } from './memory'

const part = new EngineMemory().part()
const { kernels } = part

/** Some numbers that look like chance, the same each time. */
const numbers = (count: number, seed: number) =>
  Array.from({ length: count }, (_, i) => Math.sin(seed + i * i * 12.9898) * 0.9)

const turnedFor = (n: number) => {
  const bits = Math.log2(n)
  return Array.from({ length: n }, (_, i) =>
    Array.from({ length: bits }, (_, b) => ((i >> b) & 1) << (bits - 1 - b)).reduce((a, b) => a | b, 0),
  )
}

/** Everything that a spectrum of `n` samples needs, in the kernels' memory. */
function room(n: number) {
  const made = {
    left: part.floats(n),
    right: part.floats(n),
    re: part.floats(n),
    im: part.floats(n),
    window: part.floats(n),
    turned: part.shorts(n),
    cos: part.floats(n),
    sin: part.floats(n),
  }
  made.turned.view.set(turnedFor(n))
  made.window.view.set(numbers(n, 5).map(Math.abs))
  let at = 0
  for (let half = 4; half < n; half *= 2)
    for (let k = 0; k < half; k++, at++) {
      made.cos.view[at] = Math.cos((Math.PI * k) / half)
      made.sin.view[at] = Math.sin((Math.PI * k) / half)
    }
  return made
}

describe('the spectrum', () => {
  it.each([4, 8, 64, 512])('of %i samples is the sum that defines it', (n) => {
    const r = room(n)
    r.left.view.set(numbers(n, 1))
    r.right.view.set(numbers(n, 2))
    kernels.layOut(r.left.at, r.right.at, n, r.window.at, r.turned.at, r.re.at, r.im.at)
    kernels.transform(r.re.at, r.im.at, n, r.cos.at, r.sin.at)
    for (let k = 0; k < n; k += Math.max(1, n / 32)) {
      let [re, im] = [0, 0]
      for (let t = 0; t < n; t++) {
        const [x, y] = [r.left.view[t]! * r.window.view[t]!, r.right.view[t]! * r.window.view[t]!]
        const [c, s] = [Math.cos((2 * Math.PI * k * t) / n), Math.sin((2 * Math.PI * k * t) / n)]
        re += x * c + y * s
        im += y * c - x * s
      }
      // of all the power that there is, single precision loses no more than this
      expect(Math.abs(r.re.view[k]! - re)).toBeLessThan(n * 1e-6)
      expect(Math.abs(r.im.view[k]! - im)).toBeLessThan(n * 1e-6)
    }
  })

  it('is added up in bands, both halves of it together, and lines above the last are left', () => {
    const n = 16
    const [re, im, into, bands] = [part.floats(n), part.floats(n), part.doubles(2), part.shorts(n)]
    re.view.set(numbers(n, 3))
    im.view.set(numbers(n, 4))
    bands.view.set([0, 0, 0, 1, 1])
    into.view.set([10, 0])
    kernels.addBands(re.at, im.at, n, bands.at, 5, 0.5, into.at)
    const line = (k: number) =>
      re.view[k]! ** 2 + im.view[k]! ** 2 + re.view[n - k]! ** 2 + im.view[n - k]! ** 2
    expect(into.view[0]).toBeCloseTo(10 + (line(1) + line(2)) / 2, 12)
    expect(into.view[1]).toBeCloseTo((line(3) + line(4)) / 2, 12)
  })
})
