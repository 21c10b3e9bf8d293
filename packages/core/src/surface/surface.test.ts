import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  MidiParser,
  readSurface,
  motorBytes,
  RIG_MAP,
  STRIPS,
  SurfaceReader,
  Takeover,
  Teacher,
  touchBytes,
  transportBytes,
  untaught,
  writeSurface,
} from '.'

describe('MIDI bytes', () => {
  it('are read with running status, real-time bytes between them, and in any pieces', () => {
    const bytes = [0xb2, 7, 100, 7, 0xfa, 101, 0x93, 60, 1, 60, 0, 0xe0, 0, 64, 0xfc]
    const whole = new MidiParser().feed(bytes)
    expect(whole).toEqual([
      { kind: 'control', channel: 2, controller: 7, value: 100 },
      { kind: 'start' },
      { kind: 'control', channel: 2, controller: 7, value: 101 },
      { kind: 'note', channel: 3, note: 60, on: true },
      { kind: 'note', channel: 3, note: 60, on: false },
      { kind: 'bend', channel: 0, value: 8192 },
      { kind: 'stop' },
    ])
    fc.assert(
      fc.property(fc.array(fc.nat(bytes.length), { maxLength: 5 }), (cuts) => {
        const parser = new MidiParser()
        const places = [0, ...cuts.sort((a, b) => a - b), bytes.length]
        const pieces = places.slice(1).flatMap((to, i) => parser.feed(bytes.slice(places[i], to)))
        expect(pieces).toEqual(whole)
      }),
    )
  })

  it('of system exclusive and clocks are passed over, and garbage breaks nothing', () => {
    expect(new MidiParser().feed([0xf0, 1, 2, 3, 0xf7, 5, 6, 0xf8, 0xfe])).toEqual([])
    fc.assert(fc.property(fc.uint8Array({ maxLength: 200 }), (bytes) => void new MidiParser().feed(bytes)))
  })
})

describe('a surface', () => {
  it('reads back what is written to its faders and knobs', () => {
    const place = fc.double({ min: 0, max: 1, noNaN: true })
    fc.assert(
      fc.property(fc.nat(STRIPS - 1), place, fc.boolean(), (strip, travel, knob) => {
        const source = (knob ? RIG_MAP.knobs : RIG_MAP.faders)[strip]!
        const [event, ...more] = new SurfaceReader(RIG_MAP).feed(motorBytes(source, travel))
        expect(more).toEqual([])
        expect(event).toMatchObject({ kind: knob ? 'knob' : 'fader', strip })
        const bound = knob ? 1 / 127 : 1 / 16_383
        expect(Math.abs((event as { travel: number }).travel - travel)).toBeLessThanOrEqual(bound)
      }),
    )
  })

  it('feels fingers, knows banks, play and stop', () => {
    const reader = new SurfaceReader(RIG_MAP)
    const bytes = [
      ...touchBytes(RIG_MAP, 3, true),
      ...touchBytes(RIG_MAP, 3, false),
      ...[0x90, 62, 127, 0x80, 62, 0],
      ...[0x90, 60, 127],
      ...transportBytes(true),
      ...transportBytes(false),
    ]
    expect(reader.feed(bytes)).toEqual([
      { kind: 'touch', strip: 3, on: true },
      { kind: 'touch', strip: 3, on: false },
      { kind: 'bank', by: 1 },
      { kind: 'bank', by: -1 },
      { kind: 'play' },
      { kind: 'stop' },
    ])
  })

  it('may have faders by pitch bend, and pass over what it does not know', () => {
    const map = { ...RIG_MAP, faders: [{ kind: 'bend', channel: 4 }] as const, touches: [null] }
    const reader = new SurfaceReader(map)
    expect(reader.feed(motorBytes(map.faders[0], 0.5))).toMatchObject([{ kind: 'fader', strip: 0 }])
    expect(reader.feed([0xb9, 3, 4, 0x99, 100, 100])).toEqual([])
    expect(touchBytes(map, 0, true)).toEqual([])
  })
})

describe('a soft takeover', () => {
  it('waits until the fader meets its control', () => {
    const soft = new Takeover()
    expect([0.1, 0.3, 0.7, 0.9].map((t) => soft.takes(t, 0.5))).toEqual([false, false, true, true])
    soft.lose()
    expect(soft.takes(0.8, 0.2)).toBe(false)
    expect(soft.takes(0.21, 0.2)).toBe(true)
  })
})

describe('teaching', () => {
  const learn = (...bytes: number[]) => new Teacher().feed(bytes)

  it('tells pitch bend, controllers of one and of two halves apart, and notes the touch', () => {
    expect(learn(0xe3, 0, 64)).toEqual({ source: { kind: 'bend', channel: 3 }, touch: null })
    expect(learn(0xb1, 20, 5, 20, 6)).toBeNull()
    expect(learn(0xb1, 20, 5, 20, 6, 20, 7)?.source).toEqual({ kind: 'control', channel: 1, controller: 20 })
    expect(learn(0x90, 40, 127, 0xb0, 7, 5, 39, 6)).toEqual({
      source: { kind: 'fine control', channel: 0, controller: 7 },
      touch: { channel: 0, note: 40 },
    })
  })

  it('learns every fader and knob of the rig from its own bytes, wherever it is moved', () => {
    const place = fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 3, maxLength: 9 })
    fc.assert(
      fc.property(fc.nat(STRIPS - 1), place, fc.boolean(), (strip, travels, knob) => {
        const source = (knob ? RIG_MAP.knobs : RIG_MAP.faders)[strip]!
        const teacher = new Teacher()
        const taught = travels.map((t) => teacher.feed(motorBytes(source, t))).find((t) => t !== null)
        expect(taught?.source).toEqual(source)
      }),
    )
  })

  it('learns a button from the note that it sends', () => {
    expect(new Teacher().button([0xb0, 1, 1, 0x92, 50, 100])).toEqual({ channel: 2, note: 50 })
    expect(new Teacher().button([0x92, 50, 0])).toBeNull()
  })
})

describe('a map as a file', () => {
  const file = () => JSON.parse(JSON.stringify(writeSurface(RIG_MAP))) as Record<string, unknown>

  it('comes back as it was', () => {
    expect(readSurface(file())).toEqual(RIG_MAP)
    expect(readSurface(writeSurface(untaught('Small box')))).toEqual(untaught('Small box'))
  })

  it.each([
    ['nothing', null, /not a map/],
    ['another format', { format: 'rudlo-mix' }, /not a map/],
    ['a newer version', { ...file(), version: 2 }, /newer/],
    ['no name', { ...file(), name: ' ' }, /name/],
    ['seven faders', { ...file(), faders: [] }, /8 faders/],
    [
      'a channel that is none',
      { ...file(), knobs: Array(8).fill({ kind: 'bend', channel: 16 }) },
      /knobs 1, channel/,
    ],
    [
      'a fine half of its own',
      { ...file(), faders: Array(8).fill({ kind: 'fine control', channel: 0, controller: 40 }) },
      /0 to 31/,
    ],
    ['motors that may be', { ...file(), motors: 'maybe' }, /motors/],
    ['a note that is none', { ...file(), back: { channel: 0, note: 'c' } }, /back, note/],
  ])('of %s is refused with its place', (_, document, problem) => {
    expect(() => readSurface(document)).toThrow(problem)
  })
})
