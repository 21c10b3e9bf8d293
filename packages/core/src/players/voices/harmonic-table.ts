import { SINE, TABLE_SIZE, type Wavetable } from '../wavetable'

/** Above this nothing is made: what a bend or a vibrato lifts stays below half of the rate. */
const HIGHEST = 16_000
const MOST = 96

/**
 * One period of a sound by the amplitudes of its harmonics, with those left out that could not be heard, at an RMS of 0.3: what
 * is brighter is then not louder as well.
 * @param frequency of the first harmonic, in Hz
 * @param amplitude of harmonic `k`, from 1, which lies at so many Hz
 */
export function harmonicTable(frequency: number, amplitude: (k: number, hz: number) => number): Wavetable {
  const table = new Float64Array(TABLE_SIZE + 1)
  const count = Math.max(1, Math.min(MOST, Math.floor(HIGHEST / frequency)))
  let energy = 0
  for (let k = 1; k <= count; k++) {
    const a = amplitude(k, k * frequency)
    if (!(a > 1e-5)) continue
    energy += (a * a) / 2
    // phases spread as squares keep the crest low (M. R. Schroeder 1970)
    const offset = Math.round(((k * k) / count) * (TABLE_SIZE / 2))
    for (let n = 0; n < TABLE_SIZE; n++) table[n]! += a * SINE[(n * k + offset) % TABLE_SIZE]!
  }
  const scale = energy > 0 ? 0.3 / Math.sqrt(energy) : 0
  for (let n = 0; n < TABLE_SIZE; n++) table[n]! *= scale
  table[TABLE_SIZE] = table[0]!
  return table
}
