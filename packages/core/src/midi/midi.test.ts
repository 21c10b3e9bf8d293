import { EFFECTS } from '../effects'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { smallSong } from '../../test/songs'
import { withANote } from '../../test/with-a-note'
import { point, valueAt } from '../envelope'
import { addEffect, addReturn, addSend, plainMix, withPoints } from '../mix'
import { levelScale, MIXER_CONTROLS } from '../scale'
import { songTime, type SongVersion } from '../song'
import { pack, type RawEvent } from './raw-file'
import { leftOutOfMidi, linesFromMidi, MIDI_LIMITS, readMidi, writeMidi } from '.'

const file = (tracks: readonly (readonly RawEvent[])[], header: object = { format: 1, ticksPerBeat: 480 }) =>
  pack({ header: { numTracks: tracks.length, ...header } as never, tracks })
const note = (deltaTime: number, noteNumber: number, velocity: number): RawEvent => ({
  deltaTime,
  type: 'noteOn',
  channel: 0,
  noteNumber,
  velocity,
})
const controller = (deltaTime: number, controllerType: number, value: number): RawEvent => ({
  deltaTime,
  type: 'controller',
  channel: 0,
  controllerType,
  value,
})
const END: RawEvent = { deltaTime: 0, type: 'endOfTrack', meta: true }

/** A track of one note with a name. */
const named = (text: string, more: readonly RawEvent[] = []): RawEvent[] => [
  { deltaTime: 0, type: 'trackName', meta: true, text },
  ...more,
  note(0, 60, 100),
  note(240, 60, 0),
  END,
]
const conductor = (text: string): RawEvent[] => [{ deltaTime: 0, type: 'trackName', meta: true, text }, END]

describe('names', () => {
  it.each([
    'Track 1',
    'Spår 3',
    'MIDI Ch. 2',
    'untitled',
    '12',
    'Copyright 1998 by Somebody',
    '(C) Somebody',
    'Piste_4',
  ])('that say nothing are none: %s', (text) => {
    const song = readMidi(file([conductor(text), named(text)]))
    expect([song.title, song.doubtfulTitle, song.parts[0]!.name]).toEqual(['', '', ''])
  })

  it('that mean something stay, and one nobody would put before a class is asked about', () => {
    const song = readMidi(file([conductor('The Ferry Home'), named('Fiddle'), named('The Ferry Home')]))
    expect([song.title, song.parts.map((p) => p.name)]).toEqual(['The Ferry Home', ['Fiddle', '']])
    const rude = readMidi(file([conductor('This fucking song'), named('Lead')]))
    expect([rude.title, rude.doubtfulTitle]).toEqual(['', 'This fucking song'])
    expect(readMidi(file([conductor('Classic grass in Scunthorpe'), named('x')])).title).toMatch(/grass/)
  })
})

describe('the wheel, the pedal and slides', () => {
  const program = (programNumber: number): RawEvent => ({
    deltaTime: 0,
    type: 'programChange',
    channel: 0,
    programNumber,
  })
  const wheel = (deltaTime: number, value: number): RawEvent => ({
    deltaTime,
    type: 'pitchBend',
    channel: 0,
    value,
  })

  it('bend by two semitones, or by as many as a file asks for', () => {
    const bent = (events: readonly RawEvent[]) => readMidi(file([named('Lead', events)])).parts[0]!.bends
    expect(bent([wheel(0, 8191), wheel(240, 0)])).toEqual([
      { tick: 0, semitones: 2 },
      { tick: 480, semitones: 0 },
    ])
    expect(
      bent([controller(0, 101, 0), controller(0, 100, 0), controller(0, 6, 12), wheel(0, -8192)]),
    ).toEqual([{ tick: 0, semitones: -12 }])
    expect(bent([wheel(0, 0)])).toEqual([])
  })

  it('let go of what sounds where a file says so by one controller', () => {
    const lengths = (events: readonly RawEvent[]) =>
      readMidi(file([[...events, END]])).parts[0]!.notes.map((n) => [n.pitch, n.ticks])
    const keys = [controller(0, 64, 127), note(0, 60, 90), note(0, 64, 90), note(240, 60, 0)]
    // all keys go up, and the pedal holds on; then everything is silent
    expect(lengths([...keys, controller(240, 123, 0), controller(240, 64, 0)])).toEqual([
      [60, 1440],
      [64, 1440],
    ])
    expect(lengths([...keys, controller(240, 120, 0), controller(240, 64, 0)])).toEqual([
      [60, 960],
      [64, 960],
    ])
  })

  it('slide from note to note where a file says so', () => {
    const sliding = [controller(0, 65, 127), controller(0, 5, 127), note(0, 67, 90), note(240, 67, 0)]
    const { notes } = readMidi(file([named('Lead', sliding)])).parts[0]!
    expect(notes.map((n) => n.slide)).toEqual([undefined, { from: 67, seconds: 1.5 }])
  })

  it('give each program of a channel a part of its own', () => {
    const { parts } = readMidi(
      file([
        [program(0), note(0, 60, 100), note(240, 60, 0), program(73), note(0, 62, 90), note(240, 62, 0), END],
      ]),
    )
    expect(parts.map((p) => [p.program, p.notes.map((n) => n.pitch)])).toEqual([
      [0, [60]],
      [73, [62]],
    ])
  })

  it('make one point of two values at one tick', () => {
    const { parts } = readMidi(
      file([
        named('Lead', [
          controller(0, 7, 100),
          controller(0, 7, 90),
          controller(240, 7, 20),
          controller(0, 7, 30),
        ]),
      ]),
    )
    const { points } = linesFromMidi(parts[0]!).level
    expect(points.map((p) => p.tick)).toEqual([0, 480])
  })
})

describe('readMidi', () => {
  it('reads tempo, meter, markers, names, programs and notes, on 960 to a quarter', () => {
    const song = readMidi(
      file([
        [
          { deltaTime: 0, type: 'trackName', meta: true, text: 'Ferry\u0000' },
          { deltaTime: 0, type: 'setTempo', meta: true, microsecondsPerBeat: 600_000 },
          {
            deltaTime: 0,
            type: 'timeSignature',
            meta: true,
            numerator: 3,
            denominator: 4,
            metronome: 24,
            thirtyseconds: 8,
          },
          { deltaTime: 480, type: 'marker', meta: true, text: 'Tune' },
          { deltaTime: 960, type: 'setTempo', meta: true, microsecondsPerBeat: 500_000 },
          END,
        ],
        [
          { deltaTime: 0, type: 'trackName', meta: true, text: 'Flute' },
          { deltaTime: 0, type: 'programChange', channel: 0, programNumber: 73 },
          note(0, 60, 127),
          note(240, 60, 0),
          note(240, 64, 64),
          { deltaTime: 480, type: 'noteOff', channel: 0, noteNumber: 64, velocity: 0 },
          END,
        ],
      ]),
    )
    expect(song).toMatchObject({
      title: 'Ferry',
      tempo: [
        { tick: 0, bpm: 100 },
        { tick: 2880, bpm: 120 },
      ],
      meter: [{ tick: 0, beats: 3, unit: 4 }],
      markers: [{ tick: 960, text: 'Tune' }],
    })
    expect(song.parts).toMatchObject([
      {
        name: 'Flute',
        program: 73,
        drums: false,
        notes: [
          { tick: 0, ticks: 480, pitch: 60, strength: 1 },
          { tick: 960, ticks: 960, pitch: 64 },
        ],
      },
    ])
  })

  it('holds notes with the pedal, ends what is never ended, and parts channels of format 0', () => {
    const song = readMidi(
      file(
        [
          [
            controller(0, 64, 127),
            note(0, 60, 100),
            note(480, 60, 0),
            { ...note(0, 36, 90), channel: 9 },
            controller(480, 64, 0),
            note(0, 67, 80),
            { deltaTime: 960, type: 'endOfTrack', meta: true },
          ],
        ],
        { format: 0, ticksPerBeat: 480 },
      ),
    )
    const [melody, drums] = song.parts
    expect(melody!.notes).toMatchObject([
      { pitch: 60, tick: 0, ticks: 1920 },
      { pitch: 67, tick: 1920, ticks: 1920 },
    ])
    expect(drums).toMatchObject({ drums: true, notes: [{ pitch: 36 }] })
  })

  it('refuses with one sentence what is none, lies about its length, or is too much', () => {
    const good = file([[note(0, 60, 100), note(480, 60, 0), END]])
    const lying = good.slice()
    new DataView(lying.buffer).setUint32(18, 0xffffff)
    const many = file(Array.from({ length: MIDI_LIMITS.tracks + 1 }, () => [END]))
    expect(() => readMidi(new TextEncoder().encode('Dear diary, today I sang.'))).toThrow(
      'This is not a MIDI file.',
    )
    expect(() => readMidi(lying)).toThrow(/cut off, or a track says that it is longer/)
    expect(() => readMidi(good.subarray(0, good.length - 6))).toThrow(/cut off/)
    expect(() => readMidi(many)).toThrow(/129 tracks; at most 128/)
    expect(() => readMidi(file([[END]]))).toThrow('This MIDI file plays no notes.')
    expect(() => readMidi(new Uint8Array(MIDI_LIMITS.bytes + 1))).toThrow(/more than 4 MB/)
  })

  it('comes to an end with whatever it is fed, with a song or a sentence', () => {
    const good = file([[controller(0, 7, 90), note(0, 60, 100), note(480, 60, 0), END]])
    const bent = fc.array(fc.tuple(fc.nat(good.length - 1), fc.nat(255)), { maxLength: 8 }).map((changes) => {
      const bytes = good.slice()
      for (const [at, value] of changes) bytes[at] = value
      return bytes
    })
    const start = Date.now()
    fc.assert(
      fc.property(fc.oneof(bent, fc.uint8Array({ maxLength: 300 })), (bytes) => {
        try {
          expect(readMidi(bytes).parts.length).toBeGreaterThan(0)
        } catch (error) {
          expect(error).toBeInstanceOf(RangeError)
          expect((error as Error).message).toMatch(/\.$/)
        }
      }),
      { numRuns: 2000, interruptAfterTimeLimit: 5000 },
    )
    expect(Date.now() - start).toBeLessThan(20_000)
  })

  it('reads ten thousand notes', () => {
    const notes = Array.from({ length: 10_000 }, (_, i) => [
      note(0, 40 + (i % 40), 90),
      note(60, 40 + (i % 40), 0),
    ]).flat()
    expect(readMidi(file([[...notes, END]])).parts[0]!.notes).toHaveLength(10_000)
  })
})

describe('linesFromMidi', () => {
  it('takes volume with expression, and pan; one value is a setting', () => {
    const steps = Array.from({ length: 65 }, (_, i) => controller(i ? 30 : 0, 7, 100 - i))
    const { parts } = readMidi(
      file([[controller(0, 10, 0), ...steps, note(0, 60, 100), note(480, 60, 0), END]]),
    )
    const { level, pan } = linesFromMidi(parts[0]!)
    expect(pan).toEqual({ setting: -1, points: [] })
    expect(level.setting).toBeCloseTo(0, 6)
    // sixty-five stairs are a slope of few points
    expect(level.points.length).toBeLessThan(14)
    expect(valueAt(level.points, levelScale, 65 * 60)).toBeLessThan(-15)
  })

  it('takes both sends and how it is played; what a part does not bring is at rest', () => {
    const moves = [
      controller(0, 91, 127),
      controller(480, 91, 0),
      controller(0, 73, 127),
      controller(0, 74, 1),
      controller(240, 74, 127),
    ]
    const { parts } = readMidi(file([[...moves, note(0, 60, 100), note(480, 60, 0), END]]))
    const { reverb, chorus, attack, brightness } = linesFromMidi(parts[0]!)
    expect(reverb.points.map((p) => [p.tick, Math.round(p.value)])).toEqual([
      [0, 6],
      [960, -90],
    ])
    expect(chorus).toEqual({ setting: -90, points: [] })
    // a long attack time is the softest beginning
    expect(attack).toEqual({ setting: -1, points: [] })
    expect(brightness.points.map((p) => p.value)).toEqual([-1, 1])
  })
})

describe('writeMidi', () => {
  const song: SongVersion = {
    ...smallSong(),
    title: 'Fährlied',
    sections: [
      { id: 'a', letter: 'A', name: 'Opening', tick: 0 },
      { id: 'b', letter: 'B', name: '', tick: 7680 },
    ],
    tempo: [
      { tick: 0, bpm: 120, form: 'ramp' },
      { tick: 7680, bpm: 90, form: 'hold' },
    ],
  }
  const fade = [point(0, -90), point(3840, -6), point(7680, -6, 'jump'), point(11_520, -20)]
  const mix = withPoints(
    withPoints(plainMix(song), 'track/reed/level', fade, () => 'l'),
    'track/reed/pan',
    [point(0, -1), point(7680, 1)],
    () => 'p',
  )
  /** With a note, so that it can be read again as music. */
  const again = (fine: boolean) => {
    const bytes = writeMidi(song, mix, fine)
    expect(String.fromCharCode(...bytes.subarray(0, 4))).toBe('MThd')
    return bytes
  }

  it('carries volume, pan, tempo and sections there and back', () => {
    for (const fine of [false, true]) {
      const bytes = again(fine)
      const withNote = readMidi(withANote(bytes))
      expect(withNote.title).toBe('Fahrlied')
      expect(withNote.markers).toEqual([
        { tick: 0, text: 'A Opening' },
        { tick: 7680, text: 'B' },
      ])
      const time = songTime({ ...song, tempo: withNote.tempo })
      expect(time.tempo.secondsAt(7680)).toBeCloseTo(songTime(song).tempo.secondsAt(7680), 2)
      const reed = withNote.parts.find((p) => p.name === 'Reed')!
      const volume = reed.moves[7]!
      for (const tick of [1920, 3840, 9000, 12_000]) {
        const value = volume.findLast((m) => m.tick <= tick)!.value
        const share = Math.sqrt(10 ** ((valueAt(fade, levelScale, tick) - 6) / 20))
        expect(Math.abs(value / 127 - share)).toBeLessThan(fine ? 0.016 : 0.012)
      }
      const pan = reed.moves[10]!
      expect([pan[0]!.value, pan.at(-1)!.value]).toEqual([0, 127])
      expect(MIXER_CONTROLS.pan.scale.toTravel(0)).toBe(0.5)
    }
  })

  it('carries sends by the order of the returns, and how a track is played', () => {
    const ids = { back: 'hall', effect: 'fx' }
    const sent = addSend(addReturn(mix, 'Hall', 'reverb', ids), 'reed', 'hall', 'to-hall')
    const throws = [point(0, -90), point(3840, -90, 'jump'), point(7680, -3, 'jump')]
    const softly = [point(0, 0), point(7680, -1)]
    const full = withPoints(
      withPoints(addEffect(sent, 'reed', 'playing', 't'), 'send/to-hall/level', throws, () => 's'),
      'effect/t/attack',
      softly,
      () => 'a',
    )
    expect(leftOutOfMidi(song, full)).toEqual([])
    const reed = readMidi(withANote(writeMidi(song, full, false))).parts.find((p) => p.name === 'Reed')!
    const { reverb, attack } = linesFromMidi(reed)
    for (const tick of [100, 5000, 9000])
      expect(valueAt(reverb.points, levelScale, tick)).toBeCloseTo(valueAt(throws, levelScale, tick), 0)
    const scale = EFFECTS.playing.controls.attack.scale
    for (const tick of [0, 3840, 7680])
      expect(Math.abs(valueAt(attack.points, scale, tick) - valueAt(softly, scale, tick))).toBeLessThan(0.03)
  })

  it('says what it cannot carry', () => {
    const muted = withPoints(mix, 'track/pad/mute', [point(0, 0, 'jump'), point(960, 1, 'jump')], () => 'm')
    expect(leftOutOfMidi(song, mix)).toEqual([])
    expect(leftOutOfMidi(song, muted)).toEqual(['Pad, mute'])
  })
})
