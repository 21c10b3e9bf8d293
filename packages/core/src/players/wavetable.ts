import { sinPi } from '../maths'

/** Samples of a table. */
export const TABLE_SIZE = 2048
const SIZE = TABLE_SIZE

/** One period of a sound with these amplitudes of the harmonics, and one sample more to read across the end. */
export type Wavetable = Float64Array

/** Sums harmonics into a table whose peak is 1. */
export function wavetable(harmonics: readonly number[]): Wavetable {
  const table = new Float64Array(SIZE + 1)
  harmonics.forEach((amplitude, i) => {
    if (!amplitude) return
    // phases spread as squares keep the crest low
    const phase = (i * i) / harmonics.length
    for (let n = 0; n < SIZE; n++) table[n]! += amplitude * sinPi((2 * n * (i + 1)) / SIZE + phase)
  })
  let peak = 0
  for (const v of table) peak = Math.max(peak, Math.abs(v))
  for (let n = 0; n < SIZE; n++) table[n]! /= peak
  table[SIZE] = table[0]!
  return table
}

/** Reads a table at a phase in periods, 0…1. */
export function readTable(table: Wavetable, phase: number): number {
  const at = phase * SIZE
  const i = at | 0
  return table[i]! + (table[i + 1]! - table[i]!) * (at - i)
}

/** A plain sine, for vibrato and swells. */
export const SINE = wavetable([1])
