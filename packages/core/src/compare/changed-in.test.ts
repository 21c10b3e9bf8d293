import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { smallSong, withLine } from '../../test/songs'
import { point } from '../envelope'
import { plainMix } from '../mix'
import { changedIn } from '.'

const song = smallSong()
const BAR = 3840
const REED = 'track/reed/level'
const before = withLine(song, 'reed', [point(0, -20), point(4 * BAR, -20)])

describe('changedIn', () => {
  it('finds nothing between a mix and itself, wherever it looks', () => {
    fc.assert(
      fc.property(fc.nat(8 * BAR), fc.nat(4 * BAR), (from, long) => {
        expect(changedIn(before, before, REED, from, from + long)).toBe(false)
      }),
    )
  })

  it('finds a change where it is, and not in bars that stayed as they were', () => {
    const now = withLine(song, 'reed', [
      point(0, -20),
      point(BAR, -20),
      point(BAR + 960, -8),
      point(2 * BAR, -20),
      point(4 * BAR, -20),
    ])
    expect(changedIn(before, now, REED, BAR, 2 * BAR)).toBe(true)
    expect(changedIn(now, before, REED, BAR, 2 * BAR)).toBe(true)
    expect(changedIn(before, now, REED, 2 * BAR, 4 * BAR)).toBe(false)
  })

  it('does not take a hair for a change, nor points that change nothing', () => {
    const split = withLine(song, 'reed', [point(0, -20), point(BAR, -20), point(4 * BAR, -20)])
    expect(changedIn(before, split, REED, 0, 4 * BAR)).toBe(false)
    const hair = withLine(song, 'reed', [point(0, -20.01), point(4 * BAR, -20.01)])
    expect(changedIn(before, hair, REED, 0, 4 * BAR)).toBe(false)
  })

  it('says of a control that is not there any more that it changed, and of one that never was not', () => {
    const plain = plainMix(song)
    expect(changedIn(plain, plain, 'effect/none/amount', 0, BAR)).toBe(false)
    expect(changedIn(before, plain, REED, 0, BAR)).toBe(true)
  })
})
