import { EFFECTS, EFFECT_KINDS, controlsOf } from '../effects'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  MIXER_CONTROLS,
  SEND_CONTROLS,
  SILENCE_DB,
  decibels,
  gainDecibels,
  hertz,
  leaning,
  levelGain,
  levelGainOfTravel,
  levelScale,
  milliseconds,
  noteValue,
  noteValues,
  onOff,
  onStep,
  panning,
  percent,
  readValue,
  stepFrom,
  type Control,
} from '.'

const controls: Control[] = [MIXER_CONTROLS, SEND_CONTROLS, ...EFFECT_KINDS.map(controlsOf)].flatMap(
  (group) => Object.values(group as Record<string, Control>),
)

describe('levelScale', () => {
  it('has 0 dB at three quarters, +6 dB at the top and exact silence at the bottom', () => {
    expect(levelScale.toTravel(0)).toBeCloseTo(0.75, 12)
    expect(levelScale.toTravel(6)).toBeCloseTo(1, 12)
    expect([levelScale.toTravel(SILENCE_DB), levelGain(SILENCE_DB), levelGain(-200)]).toEqual([0, 0, 0])
    expect([levelScale.toValue(0), levelScale.toValue(0.001)]).toEqual([SILENCE_DB, SILENCE_DB])
  })

  it('follows gain = (t/0.75)^p with p of about 2.401', () => {
    const p = 6 / (20 * Math.log10(4 / 3))
    expect(p).toBeCloseTo(2.401, 3)
    fc.assert(
      fc.property(fc.double({ min: 0.02, max: 1, noNaN: true }), (t) => {
        expect(levelGainOfTravel(t)).toBeCloseTo((t / 0.75) ** p, 12)
        expect(levelGain(levelScale.toValue(t))).toBeCloseTo(levelGainOfTravel(t), 10)
      }),
    )
  })

  it('makes a change in dB a scaling of travel', () => {
    fc.assert(
      fc.property(fc.double({ min: -60, max: -6, noNaN: true }), (db) => {
        expect(levelScale.toTravel(db + 6) / levelScale.toTravel(db)).toBeCloseTo(4 / 3, 9)
      }),
    )
  })
})

describe('every control', () => {
  it('maps its ends to 0 and 1, and value and travel back and forth', () => {
    for (const { scale } of controls) {
      expect(scale.toTravel(scale.min)).toBe(0)
      expect(scale.toTravel(scale.max)).toBeCloseTo(1, 12)
      if (scale.kind === 'switch') continue
      fc.assert(
        fc.property(fc.double({ min: 0.02, max: 1, noNaN: true }), (t) => {
          expect(scale.toTravel(scale.toValue(t))).toBeCloseTo(t, 9)
        }),
        { numRuns: 20 },
      )
    }
  })

  it('has its resting values inside its range, and reads what it writes', () => {
    for (const control of controls) {
      const { scale, initial, neutral, unit } = control
      for (const value of [initial, neutral, scale.min, scale.max]) {
        expect(value).toBeGreaterThanOrEqual(scale.min)
        expect(value).toBeLessThanOrEqual(scale.max)
      }
      if (unit === noteValue) continue
      const read = readValue(control, unit.format(initial))
      expect(read?.value).toBeCloseTo(initial, initial >= 1000 ? -2 : 1)
    }
  })
})

describe('units', () => {
  it.each([
    [decibels, '-6', -6],
    [decibels, '+2.5 dB', 2.5],
    [decibels, '−3,5 db', -3.5],
    [decibels, '-inf', -90],
    [decibels, 'silent', -90],
    [gainDecibels, '-12', -12],
    [panning, 'L30', -0.3],
    [leaning('softer', 'harder'), '30 % softer', -0.3],
    [leaning('softer', 'harder'), 'harder', 1],
    [leaning('softer', 'harder'), '-45', -0.45],
    [leaning('softer', 'harder'), 'as it is', 0],
    [panning, 'C', 0],
    [panning, 'R100', 1],
    [panning, 'r', 1],
    [panning, '30 l', -0.3],
    [panning, '-50', -0.5],
    [hertz, '2.4k', 2400],
    [hertz, '440 Hz', 440],
    [milliseconds, '1.5 s', 1500],
    [percent, '35%', 0.35],
    [noteValue, '1/8', 480],
    [noteValue, '1/8.', 720],
    [noteValue, '1/4t', 640],
    [onOff, 'on', 1],
  ] as const)('reads %o %s', (unit, text, value) => {
    expect(unit.parse(text)).toBeCloseTo(value, 12)
  })

  it.each([
    [decibels, 'loud'],
    [decibels, '6 Hz'],
    [decibels, ''],
    [decibels, '1e3'],
    [hertz, 'k'],
    [panning, 'up'],
    [leaning('softer', 'harder'), 'brighter'],
    [noteValue, '1/3'],
    [onOff, 'maybe'],
  ] as const)('finds no value in %o %s', (unit, text) => {
    expect(unit.parse(text)).toBeNull()
  })

  it('writes with a true minus sign and never −0', () => {
    expect([panning.format(-0.3), hertz.format(2400), decibels.format(-90), noteValue.format(720)]).toEqual([
      'L30',
      '2.40 kHz',
      'silent',
      '1/8 dotted',
    ])
  })

  it('clamps what is beyond the range, and says so', () => {
    expect(readValue(MIXER_CONTROLS.level, '40')).toEqual({ value: 6, clamped: true })
    expect(readValue(MIXER_CONTROLS.level, '-200')).toEqual({ value: -90, clamped: true })
    expect(readValue(MIXER_CONTROLS.level, '-6')).toEqual({ value: -6, clamped: false })
    expect(readValue(MIXER_CONTROLS.level, '9'.repeat(400))).toBeNull()
  })

  it('counts choices from 1', () => {
    const { variation } = EFFECTS.chopper.controls
    expect(variation.unit.format(0)).toBe('1')
    expect(variation.unit.format(6.7)).toBe('8')
    expect(readValue(variation, '3')).toEqual({ value: 2, clamped: false })
    expect(readValue(variation, '12')).toEqual({ value: 7, clamped: true })
  })
})

describe('note values', () => {
  it.each([
    ['1/8', 480],
    ['3/16', 720],
    ['1/8 dotted', 720],
    ['dotted eighth', 720],
    ['Eighth dotted', 720],
    ['1/8.', 720],
    ['1/8t', 320],
    ['triplet quarter', 640],
    ['quarter', 960],
  ])('%s is read', (text, ticks) => {
    expect(noteValue.parse(text)).toBe(ticks)
  })

  it('are written so that they are read again, and nothing else is one', () => {
    for (const ticks of noteValues(60, 3840)) expect(noteValue.parse(noteValue.format(ticks))).toBe(ticks)
    for (const text of ['5/16', '1/7', 'dotted', 'eighths', '']) expect(noteValue.parse(text)).toBeNull()
  })

  it('are the only ones that the time of an echo moves in', () => {
    const note = controlsOf('delay')['note']!
    const { steps } = note
    expect(steps![0]).toBeGreaterThanOrEqual(60)
    for (const value of [60, 477, 500, 700, 3840]) {
      expect(steps).toContain(onStep(note, value))
      const [up, down] = [stepFrom(note, value, 1)!, stepFrom(note, value, -1)!]
      expect(steps).toEqual(expect.arrayContaining([up, down]))
      expect(up).toBeGreaterThanOrEqual(down)
    }
    expect(readValue(note, '3/16')).toEqual({ value: 720, clamped: false })
    expect([onStep(controlsOf('chopper')['variation']!, 1.65), stepFrom(MIXER_CONTROLS.level, 0, 1)]).toEqual(
      [2, null],
    )
  })
})
