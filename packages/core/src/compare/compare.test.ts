import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { audioFor, smallSong, withLine } from '../../test/songs'
import { barTick as at } from '../../test/drawn/moves'
import { mistakeCases, song as band, start } from '../../test/drawn/mistakes'
import { measureMix } from '../assess'
import { evidenceOf } from '../evidence'
import { point, type Points } from '../envelope'
import { balanceOf, hear } from '../heard'
import { addEffect, plainMix, withLane, withPoints, withSetting } from '../mix'
import { findMoves } from '../moves'
import { levelScale, linearScale } from '../scale'
import { songTime } from '../song'
import {
  compareMixes,
  fingerprint,
  lineDifference,
  matchMoves,
  middleHalf,
  quantile,
  sayChanges,
  type Version,
} from '.'

const song = smallSong()
const time = songTime(song)
const audio = audioFor(
  song,
  (n) => Math.round(8000 * Math.sin(n * 0.06)),
  (n) => Math.round(3000 * Math.sin(n * 0.03)),
)
const REED = 'track/reed/level'
const version = (points: Points) => {
  const mix = points.length ? withLine(song, 'reed', points) : plainMix(song)
  return { mix, measured: measureMix(song, mix, audio) }
}
const BAR = 3840
const keys = (before: Version, after: Version) => sayChanges(song, before, after).map((saying) => saying.key)

describe('compareMixes', () => {
  it('finds nothing between a mix and itself, whatever it is', () => {
    for (const c of mistakeCases(2)) {
      const d = compareMixes(band, { mix: c.mix }, { mix: c.mix })
      expect([d.settings, d.parts, d.lines]).toEqual([[], [], []])
      expect(d.moves).toEqual([])
    }
  })

  it('turns round where the two are changed over', () => {
    for (const c of mistakeCases(2)) {
      const there = compareMixes(band, { mix: start }, { mix: c.mix })
      const back = compareMixes(band, { mix: c.mix }, { mix: start })
      expect(back.lines.map((l) => l.greatest)).toEqual(there.lines.map((l) => l.greatest))
      expect(back.moves.filter((m) => !m.after)).toHaveLength(there.moves.filter((m) => !m.before).length)
      expect(back.parts.filter((p) => p.change === 'added')).toHaveLength(
        there.parts.filter((p) => p.change === 'taken out').length,
      )
    }
  })

  it('names settings, effects and regions, but no setting that a line replaces', () => {
    const plain = plainMix(song)
    const panned = withSetting(plain, 'track/reed/pan', 0.5)
    const wet = addEffect(panned, 'pad', 'reverb', 'fx-1')
    const d = compareMixes(song, { mix: plain }, { mix: wet })
    expect(d.settings).toEqual([{ address: 'track/reed/pan', before: 0, after: 0.5 }])
    expect(d.parts).toMatchObject([{ what: 'effect', change: 'added', owner: 'pad' }])
    expect(keys({ mix: plain }, { mix: wet })).toEqual(['changed.setting', 'changed.part-effect'])
    const lined = withSetting(
      withPoints(plain, REED, [point(0, -3)], () => 'l'),
      REED,
      -20,
    )
    expect(compareMixes(song, { mix: plain }, { mix: lined }).settings).toEqual([])
  })

  it('sees a line that was switched off', () => {
    const { mix } = version([point(0, 0), point(BAR, -90)])
    const off = withLane(mix, REED, { on: false })
    expect(compareMixes(song, { mix }, { mix: off }).moves).toMatchObject([{ after: null }])
  })

  it('says how the balance of a section moved', () => {
    const balanced = (level: number) => {
      const mix = withSetting(plainMix(song), REED, level)
      const heard = hear(song, mix, audio)!
      return { mix, measured: { ...measureMix(song, mix, audio), balance: balanceOf(song, heard) } }
    }
    const [soft, loud] = [balanced(-12), balanced(0)]
    const { balance } = compareMixes(song, soft, loud)
    expect(balance).toHaveLength(1)
    expect(balance[0]!.lead).toBeCloseTo(12, 0)
    expect(keys(soft, loud)).toContain('changed.lead-out')
  })
})

describe('lineDifference', () => {
  const flat = (value: number) => [point(0, value)]

  it('gives greatest and mean in the unit, over time', () => {
    expect(lineDifference(REED, levelScale, [flat(-3), flat(-9)], time)).toMatchObject({
      greatest: expect.closeTo(6, 9) as number,
      mean: expect.closeTo(6, 9) as number,
    })
    const half = [point(0, 0, 'jump'), point(song.length / 2, -6)]
    const d = lineDifference(REED, levelScale, [flat(0), half], time)
    expect(d.at).toBe(song.length / 2)
    expect(d.mean).toBeCloseTo(3, 6)
  })

  it('is 0 for the same line drawn with more points', () => {
    const scale = linearScale(-1, 1)
    const few = [point(0, -1), point(song.length, 1)]
    const many = [point(0, -1), point(song.length / 4, -0.5), point(song.length, 1)]
    expect(lineDifference('track/reed/pan', scale, [few, many], time).greatest).toBeLessThan(1e-9)
  })

  it('has a mean no greater than the greatest, and does not mind the order', () => {
    const line = fc
      .uniqueArray(
        fc.tuple(fc.integer({ min: 0, max: song.length }), fc.double({ min: -90, max: 6, noNaN: true })),
        {
          minLength: 1,
          maxLength: 12,
          selector: ([tick]) => tick,
        },
      )
      .map((pairs) => pairs.sort((a, b) => a[0] - b[0]).map(([tick, value]) => point(tick, value)))
    fc.assert(
      fc.property(line, line, (a, b) => {
        const there = lineDifference(REED, levelScale, [a, b], time)
        expect(there.mean).toBeLessThanOrEqual(there.greatest + 1e-9)
        expect(lineDifference(REED, levelScale, [b, a], time)).toEqual(there)
      }),
    )
  })
})

describe('middleHalf', () => {
  it('lies between the lines, and holds half of them', () => {
    const lines = [-40, -20, -12, -6, 0].map((value) => [point(0, value)])
    const { low, middle, high } = middleHalf(lines, levelScale, song.length, 8)
    expect(middle).toHaveLength(9)
    expect(levelScale.toValue(middle[3]!)).toBeCloseTo(-12, 6)
    expect(levelScale.toValue(low[3]!)).toBeCloseTo(-20, 6)
    expect(levelScale.toValue(high[3]!)).toBeCloseTo(-6, 6)
  })

  it('takes quantiles between two numbers', () => {
    expect(quantile([1, 2, 3, 4], 0.5)).toBe(2.5)
    expect([quantile([7], 0.25), quantile([1, 5], 0), quantile([1, 5], 1)]).toEqual([7, 1, 5])
  })
})

describe('fingerprint', () => {
  const plain = plainMix(song)
  const drawn = (id: string, value = -9) => withPoints(plain, REED, [point(0, value)], () => id)

  it('is the same for the same lines under other ids, and for nothing else', () => {
    expect(fingerprint(plain, drawn('a'))).toBe(fingerprint(plain, drawn('b')))
    expect(fingerprint(plain, drawn('a'))).not.toBe(fingerprint(plain, drawn('a', -9.5)))
  })

  it('is none for a mix that nobody touched', () => {
    expect(fingerprint(plain, plain)).toBeNull()
    expect(
      fingerprint(
        plain,
        withPoints(plain, REED, [], () => 'empty'),
      ),
    ).toBeNull()
  })
})

describe('sayChanges', () => {
  const short = [point(3 * BAR, 0), point(3.5 * BAR, -38)]
  const long = [point(BAR, 0), point(4 * BAR, -90)]

  it('says in moves what is new, changed and gone', () => {
    expect(keys(version(short), version(long))).toEqual(
      expect.arrayContaining(['changed.to', 'changed.length']),
    )
    expect(keys(version([]), version(long))[0]).toBe('changed.added')
    expect(keys(version(long), version([]))[0]).toBe('changed.removed')
  })

  it('says when nothing, or next to nothing, changed', () => {
    expect(keys(version(long), version(long))).toEqual(['changed.nothing'])
    const almost = [point(BAR + 5, 0), point(4 * BAR, -90)]
    expect(keys(version(long), version(almost))[0]).toBe('changed.little')
  })

  it('says where a pan goes, and not by how much', () => {
    const walk = (to: number) => {
      const mix = withPoints(
        plainMix(song),
        'track/reed/pan',
        [point(0, -0.8), point(2 * BAR, to)],
        () => 'l',
      )
      return { mix, measured: measureMix(song, mix, audio) }
    }
    const [change] = sayChanges(song, walk(0.5), walk(0.9))
    expect(change).toMatchObject({
      key: 'changed.to',
      parts: {
        now: { value: expect.closeTo(0.9, 6), of: 'track/reed/pan' },
        was: { value: expect.closeTo(0.5, 6), of: 'track/reed/pan' },
      },
    })
  })

  it('adds how much louder or softer it all is', () => {
    expect(keys(version([point(0, 0)]), version([point(0, -6)])).at(-1)).toBe('changed.softer')
  })
})

describe('matching moves', () => {
  const { time } = evidenceOf(band, start, start)
  const find = (...points: Parameters<typeof findMoves>[1]) =>
    findMoves(REED, points, levelScale, time, band.sections)
  const dipAt = (bar: number, depth = 6) => [
    point(at(bar), -3),
    point(at(bar, 3), -3 - depth),
    point(at(bar + 2), -3 - depth),
    point(at(bar + 2, 3), -3),
  ]

  it('pairs what answers what, in order, and leaves the rest alone', () => {
    const model = find(point(0, -3), ...dipAt(5), ...dipAt(15))
    const student = find(point(0, -3), ...dipAt(6, 4), ...dipAt(10, 2), ...dipAt(15, 7))
    const pairs = matchMoves(model, student, time)
    expect(pairs.filter((p) => p.model && p.student)).toHaveLength(2)
    expect(pairs.filter((p) => !p.model)).toMatchObject([{ student: { start: at(10) } }])
  })

  it('pairs everything with itself, and nothing with nothing', () => {
    for (const c of mistakeCases(3)) {
      const { moves } = evidenceOf(band, start, c.mix)
      const pairs = matchMoves(moves, moves, time)
      expect(pairs.every((p) => p.model === p.student)).toBe(true)
      expect(matchMoves(moves, [], time).every((p) => p.student === null)).toBe(true)
    }
  })
})
