import fc from 'fast-check'
import { expect, it } from 'vitest'
import { loudnessTrace, TraceFollower } from '.'

const energy = fc.double({ min: 0, max: 1, noNaN: true })

it('says after any changes what measuring all of it anew says', () => {
  fc.assert(
    fc.property(
      fc.array(energy, { minLength: 1, maxLength: 60 }),
      fc.array(fc.tuple(fc.nat(59), fc.array(energy, { maxLength: 5 })), { maxLength: 6 }),
      fc.integer({ min: 1, max: 8 }),
      (start, changes, width) => {
        const follower = new TraceFollower(width)
        let hops = Float64Array.from(start)
        follower.follow(hops)
        for (const [at, values] of changes) {
          hops = hops.slice()
          values.forEach((v, i) => at + i < hops.length && (hops[at + i] = v))
          expect(follower.follow(hops)).toEqual(loudnessTrace(hops, width))
        }
      },
    ),
  )
})

it('gives the same array back where nothing changed, and leaves the one it gave before alone', () => {
  const follower = new TraceFollower(4)
  const hops = new Float64Array(50).fill(0.1)
  const first = follower.follow(hops)
  expect(follower.follow(hops.slice())).toBe(first)
  const kept = first.slice()
  const louder = hops.slice()
  louder[20] = 0.5
  expect(follower.follow(louder)).not.toBe(first)
  expect(first).toEqual(kept)
})

it('begins anew with a song of another length', () => {
  const follower = new TraceFollower(4)
  follower.follow(new Float64Array(50).fill(0.1))
  const shorter = new Float64Array(20).fill(0.2)
  expect(follower.follow(shorter)).toEqual(loudnessTrace(shorter, 4))
})
