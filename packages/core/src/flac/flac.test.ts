import fc from 'fast-check'
import { expect, it } from 'vitest'
import { toWholeSamples } from '.'

const SCALES = [32_767, 32_768].flatMap((above) => [32_767, 32_768].map((below) => ({ above, below })))

it.each(SCALES)('whole numbers of 16 bit come back from samples of ±1, by $above and $below', (scale) => {
  const all = new Int16Array(65_536).map((_, k) => k - 32_768)
  // one that is divided by less than it is goes past ±1, and comes back all the same
  const samples = Float32Array.from(all, (k) => k / (k < 0 ? scale.below : scale.above))
  const back = new Int16Array(all.length)
  toWholeSamples(samples, scale, back)
  expect(back.findIndex((k, n) => k !== all[n])).toBe(-1)
})

it('of any count of samples each comes back, and what lies after stays as it was', () => {
  fc.assert(
    fc.property(fc.int16Array({ maxLength: 9000 }), fc.constantFrom(...SCALES), (whole, scale) => {
      const samples = Float32Array.from(whole, (k) => k / (k < 0 ? scale.below : scale.above))
      const into = new Int16Array(whole.length + 9).fill(7)
      toWholeSamples(samples, scale, into)
      expect(into.subarray(0, whole.length)).toEqual(whole)
      expect([...into.subarray(whole.length)]).toEqual(Array.from({ length: 9 }, () => 7))
    }),
    { numRuns: 60 },
  )
})

it('what is past the ends of 16 bit is held at them', () => {
  const into = new Int16Array(9)
  toWholeSamples(
    new Float32Array(9).map((_, n) => (n % 2 ? 1.5 : -1.5)),
    { above: 32_768, below: 32_768 },
    into,
  )
  expect([...into]).toEqual(Array.from({ length: 9 }, (_, n) => (n % 2 ? 32_767 : -32_768)))
})
