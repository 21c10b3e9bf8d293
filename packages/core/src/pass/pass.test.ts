import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { arbitraryLine, isOrdered, keepsOutside, pan } from '../../test/arbitrary-line'
import { point, travelAt, valueAt, type Points } from '../envelope'
import { levelScale, switchScale } from '../scale'
import { PassWriter, WAYS, type PassLane, type PassRules, type Way } from '.'

const GLIDE = 400
const line: Points = [point(0, -20), point(4000, -20), point(8000, -10), point(12_000, -10)]
const lane: PassLane = { points: line, scale: levelScale, setting: -6 }
const rules = (way: Way, more: Partial<PassRules> = {}): PassRules => ({
  way,
  glideEnd: (tick) => tick + GLIDE,
  shiftStays: false,
  ...more,
})

/** What the hand does: from `from` to `to` it holds a value that may move. */
interface Hold {
  readonly from: number
  readonly to: number
  readonly value: (tick: number) => number
}

/** Runs a pass with a look every 20 ticks. */
function run(way: Way, holds: readonly Hold[], until = 12_000, more: Partial<PassRules> = {}, on = lane) {
  const writer = new PassWriter(on, rules(way, more))
  let value = valueAt(on.points, on.scale, 0)
  for (let tick = 0; tick < until; tick += 20) {
    const hold = holds.find((h) => tick >= h.from && tick < h.to)
    value = hold ? hold.value(tick) : value
    writer.feed(tick, hold !== undefined, hold ? value : valueAt(on.points, on.scale, tick))
  }
  return writer.finish(until)
}

const at = (points: Points, tick: number) => valueAt(points, levelScale, tick)
const still = (from: number, to: number, db: number): Hold => ({ from, to, value: () => db })

describe('the ways of writing', () => {
  it('follow only: never writes', () => {
    expect(run('follow', [still(1000, 5000, 0)])).toEqual({ points: line, spans: [] })
  })

  it('while I hold: the hand, then a glide back', () => {
    const { points, spans } = run('hold', [still(1000, 2000, -3)])
    expect(spans).toEqual([{ from: 1000, to: 2000 + GLIDE }])
    expect([at(points, 900), at(points, 1500), at(points, 2500)].map(Math.round)).toEqual([-20, -3, -20])
    const half = travelAt(points, levelScale, 2000 + GLIDE / 2)
    expect(half).toBeCloseTo((levelScale.toTravel(-3) + levelScale.toTravel(-20)) / 2, 1)
  })

  it('while I hold, twice: two spans; again during the glide: one', () => {
    expect(run('hold', [still(1000, 2000, -3), still(5000, 6000, -5)]).spans).toHaveLength(2)
    const once = run('hold', [still(1000, 2000, -3), still(2200, 3000, -5)])
    expect(once.spans).toEqual([{ from: 1000, to: 3000 + GLIDE }])
  })

  it('from when I move: starts with the first move, stays, and joins the old line at stop', () => {
    const moving: Hold = { from: 1000, to: 3000, value: (t) => (t < 2000 ? -20 : -4) }
    const { points, spans } = run('moved', [moving], 9000)
    expect(spans).toEqual([{ from: 2000, to: 9000 + GLIDE }])
    expect([at(points, 1500), at(points, 5000), at(points, 8900)].map(Math.round)).toEqual([-20, -4, -4])
    expect(at(points, 9000 + GLIDE + 10)).toBeCloseTo(-10, 4)
  })

  it('from play to stop: everything from the start, the setting where there is no hand', () => {
    const writer = new PassWriter(lane, rules('throughout'))
    for (let tick = 0; tick < 6000; tick += 20) writer.feed(tick, false, lane.setting)
    const { points, spans } = writer.finish(6000)
    expect(spans).toEqual([{ from: 0, to: 6000 + GLIDE }])
    expect([0, 3000, 5900].map((t) => Math.round(at(points, t)))).toEqual([-6, -6, -6])
    expect(at(points, 7000)).toBeCloseTo(at(line, 7000), 4)
  })

  it('shift what is there: the old line and the offset, gliding back or staying', () => {
    const up: Hold = { from: 5000, to: 7000, value: (t) => at(line, 5000) + (t > 5100 ? 3 : 0) }
    const back = run('shift', [up])
    expect(at(back.points, 6500)).toBeCloseTo(at(line, 6500) + 3, 1)
    expect(at(back.points, 7000 + GLIDE + 20)).toBeCloseTo(at(line, 7000 + GLIDE + 20), 4)
    const stays = run('shift', [up], 11_000, { shiftStays: true })
    expect(at(stays.points, 10_500)).toBeCloseTo(-7, 1)
    expect(at(stays.points, 11_900)).toBeCloseTo(-10, 4)
  })

  it('until I meet the line: ends where it crosses it again', () => {
    // held above the rise of the line, then let go: the line comes up to it
    const { points, spans } = run('meet', [still(3000, 4500, -15)])
    expect(spans).toHaveLength(1)
    expect(spans[0]!.from).toBe(3000)
    expect(at(line, spans[0]!.to)).toBeCloseTo(-15, 0)
    expect(at(points, 4200)).toBeCloseTo(-15, 1)
    expect(at(points, spans[0]!.to + 40)).toBeCloseTo(at(line, spans[0]!.to + 40), 4)
  })

  it('of a switch only the changes are written, and it never stands between', () => {
    const mute: PassLane = { points: [point(0, 0, 'jump')], scale: switchScale, setting: 0 }
    const { points } = run('hold', [still(1000, 2000, 1)], 6000, {}, mute)
    for (let t = 0; t < 6000; t += 50) expect([0, 1]).toContain(valueAt(points, switchScale, t))
    expect([500, 1500, 3000].map((t) => valueAt(points, switchScale, t))).toEqual([0, 1, 0])
  })
})

describe('any pass', () => {
  const hand = fc.array(
    fc.record({
      from: fc.integer({ min: 0, max: 15_000 }),
      length: fc.integer({ min: 40, max: 4000 }),
      travel: fc.double({ min: 0, max: 1, noNaN: true }),
    }),
    { maxLength: 4 },
  )

  it('keeps order, range and everything outside what it wrote', () => {
    fc.assert(
      fc.property(arbitraryLine, hand, fc.constantFrom(...WAYS), ({ points, scale }, moves, way) => {
        const on = { points, scale, setting: scale.toValue(0.5) }
        const holds = moves.map(({ from, length, travel }) => ({
          from,
          to: from + length,
          value: () => scale.toValue(travel),
        }))
        const written = run(way, holds, 16_000, {}, on)
        isOrdered(written.points, scale)
        if (way === 'follow') expect(written.points).toBe(points)
        if (written.spans.length === 1) keepsOutside(points, written.points, scale, written.spans[0]!, 1)
      }),
      { numRuns: 60 },
    )
  })

  it('is few points, near to what the hand did', () => {
    const wave = (t: number) => -20 + 8 * Math.sin(t / 900)
    const { points } = run('hold', [{ from: 1000, to: 9000, value: wave }])
    expect(points.length).toBeLessThan(60)
    for (let t = 1100; t < 8900; t += 100) expect(Math.abs(at(points, t) - wave(t))).toBeLessThan(0.6)
  })

  it('by a surface is as few: the stairs in which its values come are none of the hand', () => {
    // a slow pull from 0 dB down, in the seven bits of a surface
    const travel = (tick: number) => levelScale.toTravel(0) * (1 - (0.8 * (tick - 2000)) / 5760)
    const inSevenBits = (tick: number) => levelScale.toValue(Math.round(travel(tick) * 127) / 127)
    const { points, spans } = run('hold', [{ from: 2000, to: 7760, value: inSevenBits }])
    const inside = points.filter((p) => p.tick >= spans[0]!.from && p.tick <= spans[0]!.to)
    expect(inside.length).toBeLessThanOrEqual(8)
    for (let tick = 2100; tick < 7700; tick += 60)
      expect(Math.abs(travelAt(points, levelScale, tick) - travel(tick))).toBeLessThan(0.012)
  })

  it('keeps what a hand held still, from its beginning to its end', () => {
    const { points } = run('hold', [
      { from: 2000, to: 6000, value: (t) => (t < 3000 ? -6 : t < 5000 ? -12 : -18) },
    ])
    expect([2500, 3100, 4900, 5500].map((t) => Math.round(at(points, t)))).toEqual([-6, -12, -12, -18])
  })

  it('is heard while it is written: the hand’s value lies ahead, the old line after it', () => {
    const writer = new PassWriter({ ...lane, points: [point(0, 0)], scale: pan }, rules('hold'))
    for (let tick = 1000; tick <= 2000; tick += 20) writer.feed(tick, true, 0.5)
    expect(writer.writing).toBe(true)
    const { points } = writer.preview(300)
    expect([900, 1500, 2200, 2400].map((t) => valueAt(points, pan, t))).toEqual([0, 0.5, 0.5, 0])
  })
})
