import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  beatInWords,
  clockText,
  MeterMap,
  parsePlace,
  placeInWords,
  placeShort,
  snapTick,
  TempoMap,
  type MeterChange,
  type TempoChange,
} from '.'

/** Any tempo map: holds and ramps, 20 to 400 quarters a minute. */
const tempos = fc
  .array(
    fc.tuple(fc.integer({ min: 1, max: 9600 }), fc.double({ min: 20, max: 400, noNaN: true }), fc.boolean()),
    {
      minLength: 1,
      maxLength: 8,
    },
  )
  .map((changes) => {
    let tick = 0
    return changes.map(([gap, bpm, ramp], i): TempoChange => {
      tick += i ? gap : 0
      return { tick, bpm, form: ramp ? 'ramp' : 'hold' }
    })
  })

describe('TempoMap', () => {
  it('holds: at 120 a quarter takes half a second', () => {
    const map = new TempoMap([{ tick: 0, bpm: 120, form: 'hold' }])
    expect(map.secondsAt(960)).toBe(0.5)
    expect(map.tickAt(2)).toBe(3840)
    expect(map.secondsAt(-960)).toBe(-0.5)
  })

  it('follows the formula of a ramp, against a sum of small steps', () => {
    const map = new TempoMap([
      { tick: 0, bpm: 60, form: 'ramp' },
      { tick: 9600, bpm: 180, form: 'hold' },
    ])
    let sum = 0
    const steps = 96_000
    for (let i = 0; i < steps; i++) {
      const bpm = 60 + (120 * (i + 0.5)) / steps
      sum += (60 * (9600 / steps)) / 960 / bpm
    }
    expect(map.secondsAt(9600)).toBeCloseTo(sum, 7)
    expect(map.secondsAt(9600)).toBeCloseTo(((60 * 10) / 120) * Math.log(3), 12)
    expect(map.bpmAt(4800)).toBe(120)
  })

  it('loses nothing where a ramp is nearly level', () => {
    const flat = new TempoMap([{ tick: 0, bpm: 100, form: 'hold' }])
    const ramp = new TempoMap([
      { tick: 0, bpm: 100, form: 'ramp' },
      { tick: 96_000, bpm: 100 + 1e-10, form: 'hold' },
    ])
    expect(ramp.secondsAt(96_000)).toBeCloseTo(flat.secondsAt(96_000), 9)
  })

  it('round-trips every tick, and time only goes forward', () => {
    fc.assert(
      fc.property(
        tempos,
        fc.array(fc.integer({ min: 0, max: 100_000 }), { minLength: 2 }),
        (changes, ticks) => {
          const map = new TempoMap(changes)
          const sorted = [...new Set(ticks)].sort((a, b) => a - b)
          const seconds = sorted.map((t) => map.secondsAt(t))
          seconds.forEach((s, i) => {
            expect(Math.round(map.tickAt(s))).toBe(sorted[i])
            if (i) expect(s).toBeGreaterThan(seconds[i - 1]!)
          })
        },
      ),
    )
  })

  it('refuses what is no tempo', () => {
    expect(() => new TempoMap([])).toThrow(RangeError)
    expect(() => new TempoMap([{ tick: 5, bpm: 100, form: 'hold' }])).toThrow('from tick 0')
    expect(() => new TempoMap([{ tick: 0, bpm: 0, form: 'hold' }])).toThrow('above 0')
    const twice: TempoChange[] = [0, 0].map((tick) => ({ tick, bpm: 90, form: 'hold' }))
    expect(() => new TempoMap(twice)).toThrow('out of order')
  })
})

const waltzLater: MeterChange[] = [
  { tick: 0, beats: 4, unit: 4 },
  { tick: 4 * 3840, beats: 3, unit: 4 },
  { tick: 4 * 3840 + 2 * 2880, beats: 6, unit: 8 },
]

describe('MeterMap', () => {
  const map = new MeterMap(waltzLater)

  it('counts bars and beats through changes', () => {
    expect(map.placeAt(0)).toEqual({ bar: 1, beat: 1, tick: 0 })
    expect(map.placeAt(4 * 3840)).toEqual({ bar: 5, beat: 1, tick: 0 })
    expect(map.placeAt(4 * 3840 + 2880 + 970)).toEqual({ bar: 6, beat: 2, tick: 10 })
    expect(map.placeAt(4 * 3840 + 2 * 2880 + 480)).toEqual({ bar: 7, beat: 2, tick: 0 })
    expect(map.barsBetween(0, 4 * 3840 + 1440)).toBeCloseTo(4.5, 12)
  })

  it('gives the tick of every place back', () => {
    fc.assert(fc.property(fc.integer({ min: 0, max: 60_000 }), (t) => map.tickOf(map.placeAt(t)) === t))
  })

  it('refuses a change inside a bar', () => {
    expect(() => new MeterMap([waltzLater[0]!, { tick: 100, beats: 3, unit: 4 }])).toThrow('start of a bar')
  })
})

describe('places as text', () => {
  const map = new MeterMap(waltzLater)

  it('are read as people type them', () => {
    const read = (text: string) => parsePlace(map, text)
    expect([read('5'), read('5.2'), read(' 5 2 '), read('bar 5, beat 2'), read('1.2+240')]).toEqual([
      15_360, 16_320, 16_320, 16_320, 1200,
    ])
    expect(['', '0', '5.4', 'five', '1.1+960', '-3', '1e9'].map(read)).toEqual(Array(7).fill(null))
  })

  it('round-trip', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 60_000 }),
        (t) => parsePlace(map, placeShort(map.placeAt(t))) === t,
      ),
    )
  })

  it('are said in words', () => {
    expect(placeInWords(map, 1440)).toBe('bar 1, beat 2½')
    expect(beatInWords(map, 1440)).toBe('bar 1, beat 2')
    expect(placeInWords(map, 1000)).toBe('bar 1, beat 2.04')
    expect([clockText(0), clockText(92.55), clockText(-1)]).toEqual(['0:00.0', '1:32.5', '0:00.0'])
  })
})

describe('snapTick', () => {
  const map = new MeterMap(waltzLater)

  it('lands on the grid around the place', () => {
    expect(snapTick(map, 'bar', 2000)).toBe(3840)
    expect(snapTick(map, 'beat', 1400)).toBe(960)
    expect(snapTick(map, 'half-beat', 1400)).toBe(1440)
    expect(snapTick(map, 'quarter-beat', 1400)).toBe(1440)
    expect(snapTick(map, 'quarter-beat', 1220)).toBe(1200)
    expect(snapTick(map, 'third-beat', 1400)).toBe(1280)
    expect(snapTick(map, 'off', 1234)).toBe(1234)
    expect(snapTick(map, 'bar', 4 * 3840 + 2000)).toBe(4 * 3840 + 2880)
  })

  it('moves nothing further than half a step', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 60_000 }), (t) => Math.abs(snapTick(map, 'beat', t) - t) <= 480),
    )
  })
})
