import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { smallSong } from '../../test/songs'
import { mixProblem, plainMix, regionOf, withRegion } from '.'

const song = smallSong()
const mix = plainMix(song)

describe('a region', () => {
  it('takes a level and fades, and shares everything else', () => {
    const next = withRegion(mix, 'r1', { level: -6, fadeIn: 4410, fadeOut: 1000.4 })
    expect(regionOf(next, 'r1')).toMatchObject({
      track: 'reed',
      region: { level: -6, fadeIn: 4410, fadeOut: 1000 },
    })
    expect(next.tracks[1]).toBe(mix.tracks[1])
    expect(withRegion(next, 'r1', { level: -6 })).toBe(next)
  })

  it('stays valid whatever is asked of it', () => {
    const wild = fc.double({ min: -1e6, max: 1e6, noNaN: true })
    const change = fc.record({ level: wild, fadeIn: wild, fadeOut: wild }, { requiredKeys: [] })
    fc.assert(
      fc.property(fc.array(change, { maxLength: 6 }), (changes) => {
        const next = changes.reduce((m, c) => withRegion(m, 'r2', c), mix)
        const { region } = regionOf(next, 'r2')!
        expect(region.level).toBeGreaterThanOrEqual(-90)
        expect(region.level).toBeLessThanOrEqual(6)
        expect(Math.min(region.fadeIn, region.fadeOut)).toBeGreaterThanOrEqual(0)
        expect(mixProblem(next, song)).toBeNull()
      }),
    )
  })

  it('must be there', () => {
    expect(regionOf(mix, 'x')).toBeNull()
    expect(() => withRegion(mix, 'x', { level: 0 })).toThrow(/No region "x"/)
  })
})
