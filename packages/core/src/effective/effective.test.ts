import { describe, expect, it } from 'vitest'
import { barTick } from '../../test/drawn/moves'
import { song, start } from '../../test/drawn/mistakes'
import { point, valueAt, type Points } from '../envelope'
import { withPoints, withSetting, type Mix } from '../mix'
import { findMoves } from '../moves'
import { levelScale } from '../scale'
import { songTime } from '../song'
import { echoPath, effectiveAgainst, effectiveEcho, effectiveLevel } from '.'

const at = barTick
const line = (lane: string, points: Points, mix: Mix = start) => withPoints(mix, lane, points, () => lane)
const out = [point(at(29), 0), point(at(33), -90)]
const kinds = (points: Points) =>
  findMoves('track/reed/level', points, levelScale, songTime(song), song.sections).map((m) => m.kind)
const value = (points: Points, tick: number) => valueAt(points, levelScale, tick)

describe('the effective level of a track', () => {
  it('is its line, where nothing else was touched', () => {
    const { points, by, regions } = effectiveLevel(song, start, line('track/reed/level', out), 'reed')
    expect(by).toEqual([])
    expect(regions).toBe(false)
    for (let tick = 0; tick <= song.length; tick += 777)
      expect(value(points, tick)).toBeCloseTo(value(out, tick), 6)
  })

  it.each(['track/reed/gain', 'main/level'])('is a fade by %s as well', (lane) => {
    const gain = lane.endsWith('gain') ? [point(at(29), 0), point(at(33), -24)] : out
    const { points, by } = effectiveLevel(song, start, line(lane, gain), 'reed')
    expect(by).toEqual([lane])
    expect(value(points, at(31))).toBeLessThan(-4)
    expect(kinds(points)).toEqual([lane.endsWith('gain') ? 'fall' : 'fade out'])
  })

  it('is silence by mute, and by a region that was cut short', () => {
    const muted = effectiveLevel(
      song,
      start,
      line('track/reed/mute', [point(0, 0, 'jump'), point(at(9), 1)]),
      'reed',
    )
    expect(value(muted.points, at(9) - 10)).toBeCloseTo(0, 3)
    expect(value(muted.points, at(9) + 10)).toBe(-90)
    const short: Mix = {
      ...start,
      tracks: start.tracks.map((t) =>
        t.id === 'reed'
          ? { ...t, regions: t.regions.map((r) => ({ ...r, length: 44_100 * 16, fadeOut: 44_100 * 4 })) }
          : t,
      ),
    }
    const cut = effectiveLevel(song, start, short, 'reed')
    expect(cut.regions).toBe(true)
    expect(value(cut.points, at(6))).toBeCloseTo(0, 3)
    expect(value(cut.points, at(8))).toBeCloseTo(-6, 0)
    expect(value(cut.points, at(12))).toBe(-90)
    expect(kinds(cut.points)).toEqual(['fade out'])
  })

  it('stands back where another comes forward', () => {
    const lift = [point(at(8, 4), 0), point(at(9), 6), point(at(17), 6), point(at(17, 2), 0)]
    const { points } = effectiveAgainst(song, start, line('track/reed/level', lift), 'pad', 'reed')
    expect(value(points, at(12))).toBeCloseTo(-6, 1)
    expect(kinds(points)).toEqual(['dip'])
  })
})

describe('the effective echo', () => {
  const open = withSetting(start, 'send/to-hall/level', -6)

  it('follows the send, the wet and the return', () => {
    const wet = line(
      'effect/hall-reverb/wet',
      [point(0, 0, 'jump'), point(at(9), 0.5, 'jump'), point(at(10), 0)],
      open,
    )
    const path = echoPath(wet, 'effect/hall-reverb/wet', 'reed')!
    const { points, by } = effectiveEcho(song, start, wet, path)
    expect(by).toContain('effect/hall-reverb/wet')
    expect(value(points, at(9, 3))).toBeCloseTo(-12, 0)
    expect(value(points, at(11))).toBe(-90)
  })

  it('is none where no send leads there', () => {
    expect(echoPath(start, 'track/reed/level')).toBeNull()
  })
})
