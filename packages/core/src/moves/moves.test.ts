import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { point, type Points } from '../envelope'
import { levelScale, linearScale } from '../scale'
import { songTime } from '../song'
import { arbitraryLine } from '../../test/arbitrary-line'
import { smallSong } from '../../test/songs'
import { findMoves, type Move } from '.'
import { segmentsOf } from './segments'

const BAR = 3840
/** 32 bars of four at 120. */
const time = songTime(smallSong(64))
const bar = (n: number, beat = 1) => Math.round((n - 1) * BAR + (beat - 1) * 960)
const moves = (...points: Points) => findMoves('track/reed/level', points, levelScale, time)
const kinds = (found: readonly Move[]) => found.map((m) => m.kind)

describe('fades, as drawn', () => {
  it('are measured within one tick and 0.1 dB', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 20_000 }),
        fc.integer({ min: 1920, max: 40_000 }),
        fc.double({ min: -12, max: 6, noNaN: true }),
        fc.boolean(),
        (start, length, db, isIn) => {
          const [from, to] = isIn ? [-90, db] : [db, -90]
          const [fade, ...more] = moves(point(start, from), point(start + length, to))
          expect(more).toEqual([])
          expect(fade!.kind).toBe(isIn ? 'fade in' : 'fade out')
          expect(Math.abs(fade!.start - start)).toBeLessThanOrEqual(1)
          expect(Math.abs(fade!.end - (start + length))).toBeLessThanOrEqual(1)
          expect(Math.abs(fade!.from - from)).toBeLessThanOrEqual(0.1)
          expect(Math.abs(fade!.goal - to)).toBeLessThanOrEqual(0.1)
          expect(fade!.silent).toBe(true)
          expect(fade!.form).toBe('even')
          expect(fade!.bars).toBeCloseTo(length / BAR, 9)
          expect(fade!.seconds).toBeCloseTo(length / 1920, 9)
        },
      ),
    )
  })

  it('say whether silence is reached', () => {
    expect(moves(point(bar(29), -3), point(bar(33), -38))).toMatchObject([
      { kind: 'fade out', silent: false, to: expect.closeTo(-38, 9) },
    ])
    expect(moves(point(bar(1), -60), point(bar(5), -6))).toMatchObject([{ kind: 'fade in', silent: false }])
  })

  it('are even, early or late by their form', () => {
    const out = (bend: number) => moves(point(bar(29), -3, 'curve', bend), point(bar(33), -90))[0]!.form
    expect([out(0), out(-4), out(4)]).toEqual(['even', 'early', 'late'])
  })

  it('end with the song, even where the line runs on', () => {
    expect(moves(point(bar(29), 0), point(bar(33), -90))[0]!.end).toBe(bar(33))
  })
})

describe('other moves', () => {
  const dip = [
    point(0, -3),
    point(bar(8, 4), -3),
    point(bar(9), -10),
    point(bar(17), -10),
    point(bar(17, 3), -3),
  ]

  it('are named by where they go and come back', () => {
    expect(moves(...dip)).toMatchObject([
      {
        kind: 'dip',
        start: bar(8, 4),
        arrival: bar(9),
        leaves: bar(17),
        end: bar(17, 3),
        depth: expect.closeTo(-7, 6),
      },
    ])
    expect(
      kinds(
        moves(point(0, -10), point(bar(5), -10), point(bar(6), -4), point(bar(9), -4), point(bar(10), -10)),
      ),
    ).toEqual(['lift'])
    expect(kinds(moves(point(0, -3), point(bar(9), -12)))).toEqual(['fall'])
    expect(kinds(moves(point(0, -12), point(bar(9), -3)))).toEqual(['rise'])
    expect(kinds(moves(point(0, -3, 'jump'), point(bar(9), -12)))).toEqual(['jump down'])
    expect(kinds(moves(point(0, -12, 'jump'), point(bar(9), -3)))).toEqual(['jump up'])
  })

  it('are found one after the other', () => {
    const whole = [
      point(0, -90),
      point(bar(4), -3),
      ...dip.slice(1),
      point(bar(29), -3),
      point(bar(32, 4), -90),
    ]
    expect(kinds(moves(...whole))).toEqual(['fade in', 'dip', 'fade out'])
  })

  it('are none where the line rests or only shakes', () => {
    expect(moves()).toEqual([])
    expect(moves(point(0, -6))).toEqual([])
    expect(moves(...Array.from({ length: 60 }, (_, i) => point(i * 480, -6 + (i % 2 ? 0.4 : -0.1))))).toEqual(
      [],
    )
  })

  it('are one move, however many steps a hand took', () => {
    const steps = Array.from({ length: 65 }, (_, i) =>
      point(bar(5) + i * 60, -3 - (7 * i) / 64 + (i % 3 ? 0.15 : -0.15)),
    )
    expect(kinds(moves(point(0, -3), ...steps))).toEqual(['fall'])
  })

  it('are found on other scales too', () => {
    const pan = findMoves('track/reed/pan', [point(0, -1), point(bar(9), 1)], linearScale(-1, 1), time)
    expect(pan).toMatchObject([{ kind: 'sweep', from: -1, to: 1 }])
  })
})

describe('segments', () => {
  const tick = (b: number) => bar(b)

  it('go one way each, and rest between', () => {
    const points = [point(bar(2), -3), point(bar(3), -10), point(bar(9), -10), point(bar(11), -1)]
    const segments = segmentsOf(points, levelScale, time)
    expect(segments.map((s) => [s.start, s.end])).toEqual([
      [tick(2), tick(3)],
      [tick(9), tick(11)],
    ])
  })

  it('are none where a hand trembles, however long', () => {
    const line = Array.from({ length: 200 }, (_, i) => point(i * 120, -6 + 0.35 * Math.sin(i * 1.7)))
    expect(segmentsOf(line, levelScale, time)).toEqual([])
    expect(findMoves('track/reed/level', line, levelScale, time)).toEqual([])
  })
})

describe('what is inside a move', () => {
  it('is told with it: steps, rests, and how far it goes too far', () => {
    const [dip, ...more] = moves(
      point(bar(2), 0),
      point(bar(2) + 480, -3),
      point(bar(2) + 1920, -3),
      point(bar(2) + 2400, -7.2),
      point(bar(2) + 2800, -7.2),
      point(bar(2) + 3000, -6),
      point(bar(4), -6),
      point(bar(4) + 480, 0),
    )
    expect(more).toEqual([])
    expect(dip).toMatchObject({ kind: 'dip', goal: expect.closeTo(-6, 3), steps: 2 })
    expect(dip!.overshoot).toBeCloseTo(1.2, 1)
    expect(dip!.rest).toBeGreaterThan(0.5)
  })

  it('is no move where nobody hears it', () => {
    expect(moves(point(bar(2), -90), point(bar(3), -64), point(bar(4), -90))).toEqual([])
  })

  it('is a rhythm where it goes to and fro in time', () => {
    const gate = Array.from({ length: 16 }, (_, i) => point(bar(2) + i * 480, i % 2 ? -20 : -3, 'jump'))
    expect(kinds(moves(point(0, -3, 'jump'), ...gate))).toEqual(['rhythm'])
  })

  it('is a dip and a lift where one goes straight into the other', () => {
    const line = [
      [2, -6],
      [2.25, -12],
      [3, -12],
      [3.5, 0],
      [4.25, 0],
      [4.5, -6],
    ] as const
    expect(kinds(moves(...line.map(([b, v]) => point(bar(b), v))))).toEqual(['dip', 'lift'])
  })

  it('never fails, whatever the line', () => {
    fc.assert(
      fc.property(arbitraryLine, ({ points, scale }) => {
        const found = findMoves('track/reed/level', points, scale, time, [{ tick: bar(3) }])
        found.forEach((m, i) => {
          expect(m.start).toBeLessThanOrEqual(m.arrival)
          expect(m.arrival).toBeLessThanOrEqual(m.end)
          if (i) expect(m.start).toBeGreaterThanOrEqual(found[i - 1]!.start)
        })
      }),
    )
  })
})
