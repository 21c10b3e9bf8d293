import { movePoint, point, type Points } from '@rudlo/core/envelope'
import { MIXER_CONTROLS } from '@rudlo/core/scale'
import { songTime } from '@rudlo/core/song'
import { shortSong } from '../../../test/short-song'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { bubbleOf } from './draw-bubble'
import type { Ink } from './draw-grid'
import { changedAreas, type LineFront } from './line-front'
import { Viewport, type Area } from './viewport'

const song = { ...shortSong, length: 32 * 3840 }
const line: Points = Array.from({ length: 33 }, (_, i) => point(i * 3840, -((i * 7) % 20)))

const front: LineFront = {
  view: new Viewport({ from: 0, to: song.length }, 1000, 300),
  time: songTime(song),
  control: MIXER_CONTROLS.level,
  ink: {} as Ink,
  points: line,
  on: true,
  setting: 0,
  selected: -1,
  chosen: new Set(),
  loudness: new Float64Array(640).fill(-20),
  whose: 'the mix',
  wordsAt: 'left',
  overs: [],
  blank: false,
  shaded: null,
  bubble: null,
}

describe('what is drawn again', () => {
  it('is everything at first, and wherever more than the line and its loudness changed', () => {
    expect(changedAreas(null, front)).toBe('whole')
    expect(changedAreas(front, { ...front, selected: 3 })).toBe('whole')
    expect(changedAreas(front, { ...front, view: new Viewport(front.view.span, 900, 300) })).toBe('whole')
    expect(changedAreas({ ...front, on: false }, { ...front, on: false, points: line.slice(1) })).toBe(
      'whole',
    )
    expect(changedAreas(front, { ...front, points: [] })).toBe('whole')
    expect(changedAreas(front, { ...front, loudness: null })).toBe('whole')
  })

  it('is nothing where nothing changed', () => {
    expect(changedAreas(front, { ...front, points: [...line], loudness: front.loudness!.slice() })).toEqual(
      [],
    )
  })

  it('reaches from one neighbour of a moved point to the other, whole rings included', () => {
    const { scale } = front.control
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 31 }), fc.integer({ min: -8000, max: 8000 }), (i, by) => {
        const points = movePoint(line, scale, i, line[i]!.tick + by, -15)
        const areas = changedAreas(front, { ...front, points })
        if (points[i]!.tick === line[i]!.tick && points[i]!.value === line[i]!.value) return
        expect(areas).toHaveLength(1)
        const { left, right, top, bottom } = areas[0] as Area
        expect([top, bottom]).toEqual([0, 300])
        expect(left).toBeLessThanOrEqual(front.view.x(line[i - 1]!.tick) - 14)
        expect(right).toBeGreaterThanOrEqual(front.view.x(line[i + 1]!.tick) + 14)
        expect(right - left).toBeLessThan(120)
      }),
    )
  })

  it('covers what the loudness changed in as well', () => {
    const loudness = front.loudness!.slice()
    loudness[300] = -12
    const { left, right } = changedAreas(front, { ...front, loudness })[0] as Area
    const x = (hop: number) => front.view.x(front.time.tempo.tickAt(hop / 10))
    expect(left).toBeLessThan(x(299))
    expect(right).toBeGreaterThan(x(301))
    expect(right - left).toBeLessThan(20)
  })

  it('is where something was said of a point and where it is said now, and no more of the line', () => {
    const told = { index: 4, began: -3, finger: false }
    const said = (tick: number, value: number) =>
      bubbleOf(point(tick, value), told, front.control, front.time.meter, front.view)
    const before = { ...front, bubble: said(38_400, -12) }
    expect(changedAreas(before, before)).toEqual([])
    const { bubble } = { bubble: said(40_000, -14) }
    const [area, ...more] = changedAreas(before, { ...before, bubble }) as Area[]
    expect(more).toEqual([])
    for (const each of [before.bubble, bubble]) {
      expect(area!.left).toBeLessThan(each.left)
      expect(area!.right).toBeGreaterThan(each.left + each.width)
      expect(area!.top).toBeLessThan(each.top)
      expect(area!.bottom).toBeGreaterThan(each.top + each.height)
    }
    expect(area!.bottom - area!.top).toBeLessThan(150)
    const gone = changedAreas(before, front) as Area[]
    expect(gone).toHaveLength(1)
  })
})
