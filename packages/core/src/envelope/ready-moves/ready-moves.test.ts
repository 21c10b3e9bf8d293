import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { controlsOf } from '../../effects'
import { levelGain, levelScale, MIXER_CONTROLS, SEND_CONTROLS, type Control } from '../../scale'
import { EditRefused, point, valueAt, type Points } from '..'
import { leadOf, makeCrossing, makeMove, READY_MOVES, suits, type MovePlace, type ReadyMove } from '.'

const BAR = 3840
const BEAT = 960
const level = MIXER_CONTROLS.level
const pan = MIXER_CONTROLS.pan
const send = SEND_CONTROLS.level
const frequency = controlsOf('filter')['frequency']!
const feedback = controlsOf('delay')['feedback']!
/** Bars 3 and 4 of a song of eight. */
const place: MovePlace = { span: { from: 2 * BAR, to: 4 * BAR }, beat: BEAT, length: 8 * BAR, lead: BEAT / 2 }
const { from, to } = place.span
const at = (points: Points, tick: number, { scale }: Control = level) =>
  Math.round(valueAt(points, scale, tick) * 1e9) / 1e9 || 0
const made = (move: ReadyMove, points: Points = [point(0, -6)], wish = {}, of = level, where = place) =>
  makeMove(points, of, where, move, wish)

describe('a ready move', () => {
  it('fades from true silence and is there with the bars; what was heard before is let go, not cut', () => {
    const into = made('fade in')
    expect([from, to, to + BAR].map((t) => at(into, t))).toEqual([-90, -6, -6])
    expect(at(into, from - place.lead)).toBe(-6)
    expect(at(into, from - place.lead / 2)).toBeLessThan(-6)
    expect(at(into, from - place.lead / 2)).toBeGreaterThan(-90)
    // at the beginning of a song there is nothing to let go
    const first = made('fade in', [point(0, -6)], {}, level, { ...place, span: { from: 0, to: BAR } })
    expect(first[0]).toMatchObject({ tick: 0, value: -90 })
  })

  it('fades out to silence inside its bars', () => {
    const out = made('fade out')
    expect([from, to - 1, to, 7 * BAR].map((t) => at(out, t))).toEqual([-6, -90, -90, -90])
    expect(at(out, to - BEAT / 2)).toBeGreaterThan(-90)
  })

  it.each([
    ['dip', -12],
    ['lift', -2],
  ] as const)(
    'a %s is there on the first beat and leaves on the last: its ways lie before and after',
    (move, goal) => {
      const line = made(move)
      for (const tick of [from, from + BAR, to]) expect(at(line, tick)).toBeCloseTo(goal, 9)
      for (const tick of [0, from - place.lead, to + place.lead, 8 * BAR]) expect(at(line, tick)).toBe(-6)
      expect(at(made(move, [point(0, -6)], { amount: 2 }), from)).toBeCloseTo(move === 'dip' ? -8 : -4, 9)
    },
  )

  it('goes and comes back inside its bars where the song begins and ends: there is no room beside them', () => {
    const whole = { ...place, span: { from: 0, to: 8 * BAR } }
    const line = made('dip', [point(0, -6)], {}, level, whole)
    for (const tick of [place.lead, BAR, 8 * BAR - place.lead]) expect(at(line, tick)).toBeCloseTo(-12, 9)
    for (const tick of [0, 8 * BAR]) expect(at(line, tick)).toBe(-6)
  })

  it('goes as far as was asked, in the unit of its lane', () => {
    const thrown = made('throw', [point(0, -90)], { amount: -6 }, send)
    expect(Math.max(...thrown.map((p) => p.value))).toBe(-6)
    const swept = made('sweep', [point(0, 400)], { amount: 2000 }, frequency)
    expect(at(swept, to, frequency)).toBeCloseTo(2000, 6)
    expect(at(made('dip', [point(0, 0.5)], { amount: 0.1 }, feedback), from, feedback)).toBeCloseTo(0.1, 9)
    expect(at(made('build', [point(0, -6)], { amount: 3 }), to)).toBeCloseTo(-3, 9)
  })

  it('builds up to the next part and stays with it; in the middle of one it goes back', () => {
    const arrived = made('build', [point(0, -6)], {}, level, { ...place, arrives: true })
    expect([from, to, 7 * BAR].map((t) => at(arrived, t))).toEqual([-6, 0, 0])
    expect([from, to, to + place.lead, 7 * BAR].map((t) => at(made('build'), t))).toEqual([-6, 0, -6, -6])
  })

  it('throws for one note: open just before it begins, shut before the next', () => {
    const onsets = [from - 3 * BEAT, from + 1200, to + 400, to + BAR]
    const line = made('throw', [point(0, -90)], {}, send, { ...place, onsets })
    expect(at(line, from + 1200, send)).toBe(0)
    expect(at(line, from + 1200 - BEAT / 4, send)).toBe(-90)
    expect(at(line, to + 400, send)).toBe(-90)
    expect(at(line, to + 400 - BEAT / 2, send)).toBe(0)
  })

  it('says where there is nothing to throw, and adds nothing', () => {
    expect(() => made('throw', [point(0, 6)], {}, send)).toThrow(EditRefused)
    expect(() => made('throw', [point(0, 6)], {}, send)).toThrow('It is at +6.0 dB already')
  })

  it('sweeps that lie side by side join without a leap', () => {
    const first = made('sweep', [point(0, 0)], {}, pan)
    const next = { ...place, span: { from: to, to: to + BAR } }
    const both = makeMove(first, pan, next, 'sweep')
    expect(at(both, to, pan)).toBeCloseTo(0.8, 9)
    expect(at(both, to + BAR, pan)).toBeCloseTo(-0.8, 9)
    for (let tick = from; tick < to + BAR; tick += 60)
      expect(Math.abs(at(both, tick, pan) - at(both, tick + 60, pan))).toBeLessThan(0.1)
  })

  it.each([1, 2, 5])('goes there and back with %i turns', (turns) => {
    const line = made('to and fro', [point(0, 0)], { turns }, pan)
    const leg = (to - from) / (turns + 1)
    for (let i = 0; i <= turns + 1; i++)
      expect(at(line, Math.round(from + i * leg), pan)).toBeCloseTo(i % 2 ? 0.8 : -0.8, 6)
  })

  it('is offered where it makes sense', () => {
    const offered = (control: Control) => READY_MOVES.filter((m) => suits(m, control))
    expect(offered(level)).toEqual(['fade in', 'fade out', 'lift', 'dip', 'build'])
    expect(offered(send)).toContain('throw')
    expect(offered(pan)).toEqual(['sweep', 'to and fro'])
    expect(offered(frequency)).toContain('sweep')
    expect(offered(MIXER_CONTROLS.mute)).toEqual([])
  })

  it('keeps order and range, and what lies beyond its ways, whatever the line is', () => {
    const control = fc.constantFrom(level, send, pan, frequency, feedback)
    const travels = fc.array(
      fc.tuple(fc.integer({ min: 0, max: 8 * BAR }), fc.double({ min: 0, max: 1, noNaN: true })),
      {
        minLength: 1,
        maxLength: 8,
      },
    )
    const bars = fc.tuple(fc.integer({ min: 0, max: 6 }), fc.integer({ min: 1, max: 2 }))
    fc.assert(
      fc.property(control, travels, bars, fc.constantFrom(...READY_MOVES), (of, raw, [bar, long], move) => {
        if (!suits(move, of)) return
        const ticks = [...new Map(raw.map(([t, v]) => [t, v]))].sort((a, b) => a[0] - b[0])
        const points = ticks.map(([tick, travel]) => point(tick, of.scale.toValue(travel)))
        const span = { from: bar * BAR, to: (bar + long) * BAR }
        let after = points
        try {
          after = makeMove(points, of, { ...place, span }, move) as typeof points
        } catch (error) {
          expect(error).toBeInstanceOf(EditRefused)
        }
        after.forEach((p, i) => {
          if (i) expect(p.tick).toBeGreaterThan(after[i - 1]!.tick)
          expect(p.value).toBeGreaterThanOrEqual(of.scale.min - 1e-9)
          expect(p.value).toBeLessThanOrEqual(of.scale.max + 1e-9)
        })
        const before = span.from - BEAT
        if (before > 0) expect(at(after, before / 2, of)).toBeCloseTo(at(points, before / 2, of), 6)
      }),
      { numRuns: 300 },
    )
  })
})

it('the way there takes the note value next to four tenths of a second', () => {
  const beats = [40, 60, 90, 120, 180].map((bpm) => leadOf(BEAT, 60 / bpm) / BEAT)
  expect(beats).toEqual([0.25, 0.5, 0.5, 1, 1])
})

describe('one out as another comes in', () => {
  const cross = (way?: 'power' | 'gain') => makeCrossing([point(0, -6)], [point(0, -6)], place.span, way)
  /** Loudness of both together, where they are alike, in dB over one alone. */
  const together = ({ leaves, comes }: ReturnType<typeof cross>, tick: number) =>
    10 * Math.log10(levelGain(at(leaves, tick)) ** 2 + levelGain(at(comes, tick)) ** 2) + 6

  it('has no hole: with equal power both together are as loud as one, all the way', () => {
    const made = cross()
    for (let k = 0; k <= 64; k++)
      expect(Math.abs(together(made, from + ((to - from) * k) / 64))).toBeLessThan(0.5)
    expect([at(made.leaves, to), at(made.comes, from - 1)]).toEqual([-90, -90])
    expect(made.leaves.length + made.comes.length).toBeLessThan(24)
  })

  it('is 3 dB softer in the middle where gains go evenly', () => {
    expect(together(cross('gain'), (from + to) / 2)).toBeCloseTo(-3, 0)
    expect(levelScale.kind).toBe('level')
  })
})
