import { describe, expect, it } from 'vitest'
import { BEND_STEP, hz, RATE } from '../note'
import { TABLE_SIZE } from '../wavetable'
import { bendCurve, bentAt, bentNote } from './bend-curve'
import { driven } from './driven'
import { harmonicTable } from './harmonic-table'
import { below, falls, hill } from './spectrum'

describe('a bend', () => {
  it('is reached within a few hundredths of a second and stays until the next one', () => {
    const curve = bendCurve(
      [
        [0.1, 2],
        [0.5, 0],
      ],
      RATE,
    )!
    const at = (seconds: number) => bentAt(curve, seconds * RATE)
    expect(at(0.09)).toBe(1)
    expect(at(0.2)).toBeCloseTo(hz(62) / hz(60), 4)
    expect(at(0.49)).toBeCloseTo(hz(62) / hz(60), 4)
    expect(at(0.6)).toBeCloseTo(1, 4)
    // what comes after the part is bent as its end is
    expect(bentAt(curve, 10 * RATE)).toBeCloseTo(1, 4)
    expect(curve.length).toBe(Math.ceil(RATE / BEND_STEP) + 1)
  })

  it('of nothing is none', () => {
    expect(bendCurve([], RATE)).toBeUndefined()
    expect(bendCurve([[1, 0]], RATE)).toBeUndefined()
    expect(bentAt(undefined, 5)).toBe(1)
  })
})

describe('a slide', () => {
  const note = { start: 0, seconds: 1, pitch: 60, strength: 1 }

  it('goes as many semitones in the first half as in the second, and is over then', () => {
    const bent = bentNote({ ...note, slide: { from: 72, seconds: 0.5 } }, 0, undefined)
    const semitones = [0, 0.25, 0.5, 0.9].map((s) => 12 * Math.log2(bent(s * RATE)))
    for (const [i, wanted] of [12, 6, 0, 0].entries()) expect(semitones[i]).toBeCloseTo(wanted, 4)
  })

  it('goes with the wheel, and no further than one is followed', () => {
    const curve = bendCurve([[0, 2]], RATE)!
    const bent = bentNote({ ...note, slide: { from: 0, seconds: 0.5 } }, RATE / 2, curve)
    expect(12 * Math.log2(bent(0))).toBeCloseTo(2 - 24, 4)
    expect(bentNote(note, RATE / 2, curve)(0)).toBe(bentAt(curve, RATE / 2))
  })
})

describe('a table of harmonics', () => {
  const rms = (table: Float64Array) =>
    Math.sqrt(table.subarray(0, TABLE_SIZE).reduce((sum, x) => sum + x * x, 0) / TABLE_SIZE)

  it('is as strong however bright it is, and closes', () => {
    for (const bright of [0.5, 1, 2]) {
      const table = harmonicTable(220, (k) => falls(k, bright))
      expect(rms(table)).toBeCloseTo(0.3, 6)
      expect(table[TABLE_SIZE]).toBe(table[0])
    }
  })

  it('has nothing above what can be heard, and is silent where nothing is left', () => {
    const asked: number[] = []
    harmonicTable(3000, (k, f) => (asked.push(f), 1 / k))
    expect(Math.max(...asked)).toBeLessThanOrEqual(16_000)
    expect(rms(harmonicTable(220, () => 0))).toBe(0)
  })
})

describe('what bodies let through', () => {
  it('is a half at the edge of a resonance and at the edge of a low-pass', () => {
    expect([hill(500, 500, 80), hill(580, 500, 80), below(4000, 4000)]).toEqual([1, 0.5, 0.5])
    expect(falls(2, 1)).toBeCloseTo(0.5, 9)
    expect(below(8000, 4000)).toBeCloseTo(1 / 17, 9)
  })
})

describe('an amplifier', () => {
  it('rounds off what is strong: twice as much going in is less than twice as much coming out', () => {
    const sine = (amplitude: number) =>
      driven((_, frames) => [new Float32Array(frames).map((__, n) => amplitude * Math.sin(n / 20))], {
        drive: 10,
        dull: 0.4,
      })([], 4000)[0]!
    const strongest = (x: Float32Array) => x.subarray(2000).reduce((a, v) => Math.max(a, Math.abs(v)), 0)
    expect(strongest(sine(0.02)) / strongest(sine(0.01))).toBeGreaterThan(1.9)
    expect(strongest(sine(0.4)) / strongest(sine(0.2))).toBeLessThan(1.3)
  })
})
