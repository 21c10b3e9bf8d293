import { log10 } from '../maths'

/** Energy is looked at in steps of so many samples: about 5.8 ms. */
const STEP = 256
/** A beginning stands out of the mean of so many steps before it: about 70 ms … */
const BEFORE = 12
/** … by at least so many dB … */
const RISE_DB = 6
/** … and is at most so far below the loudest step of the recording. */
const FLOOR_DB = 45
/** Two beginnings are at least so many steps apart: about 80 ms. */
const APART = 14
/** Added to every energy, so that silence is a number: far below 16 bit. */
const NOTHING = 1e-10

/** A place where a sound begins. */
export interface Onset {
  /** Samples from the start of the recording. */
  readonly sample: number
  /** How far it stands out, in dB. */
  readonly rise: number
}

/**
 * Finds where sounds begin: steps whose energy, weighted towards high frequencies by a first difference, rises out of
 * what was before (an energy flux as in J. P. Bello et al., A Tutorial on Onset Detection in Music Signals, 2005, § III).
 * @param channels samples of 16 bit, one array a channel
 * @returns in rising time
 */
export function findOnsets(channels: readonly Int16Array[]): Onset[] {
  const energy = stepEnergies(channels)
  const levels = energy.map((e) => 10 * log10(e + NOTHING))
  const loudest = levels.reduce((a, b) => Math.max(a, b), -Infinity)
  const onsets: Onset[] = []
  let last = -APART
  for (let i = 0; i < levels.length; i++) {
    if (i - last < APART || levels[i]! < loudest - FLOOR_DB) continue
    const rise = levels[i]! - meanBefore(levels, i)
    // the rise is over where the next step rises further: the beginning belongs to the steepest one
    const next = i + 1 < levels.length ? levels[i + 1]! - meanBefore(levels, i + 1) : -Infinity
    if (rise < RISE_DB || (next > rise + RISE_DB && i + 1 - last >= APART)) continue
    onsets.push({ sample: firstSample(channels, i), rise })
    last = i
  }
  return onsets
}

/** Mean square of the first difference in every step, the loudest channel. */
function stepEnergies(channels: readonly Int16Array[]): Float64Array {
  const length = channels[0]?.length ?? 0
  const energies = new Float64Array(Math.ceil(length / STEP))
  for (const samples of channels) {
    for (let i = 0; i < energies.length; i++) {
      const from = Math.max(1, i * STEP)
      const to = Math.min(length, (i + 1) * STEP)
      let sum = 0
      for (let n = from; n < to; n++) {
        const d = samples[n]! - samples[n - 1]!
        sum += d * d
      }
      energies[i] = Math.max(energies[i]!, sum / (Math.max(1, to - from) * 32_768 * 32_768))
    }
  }
  return energies
}

function meanBefore(levels: Float64Array, i: number): number {
  const from = Math.max(0, i - BEFORE)
  if (from === i) return -100
  let sum = 0
  for (let k = from; k < i; k++) sum += levels[k]!
  return sum / (i - from)
}

/** The first sample of a step, or of the one before it, that reaches a quarter of the step's highest. */
function firstSample(channels: readonly Int16Array[], step: number): number {
  const from = Math.max(0, (step - 1) * STEP)
  const to = Math.min(channels[0]!.length, (step + 1) * STEP)
  let first = to
  let most = 0
  for (const samples of channels) for (let n = from; n < to; n++) most = Math.max(most, Math.abs(samples[n]!))
  for (const samples of channels)
    for (let n = from; n < first; n++) if (Math.abs(samples[n]!) * 4 >= most) first = n
  return first < to ? first : step * STEP
}
