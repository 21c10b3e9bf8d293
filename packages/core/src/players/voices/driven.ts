import type { Instrument } from '../note'

/** What an amplifier does to an instrument. */
export interface Drive {
  /** How far it is turned up. */
  readonly drive: number
  /** Coefficient of the loudspeaker's low-pass, 0…1. */
  readonly dull: number
}

/** x / (1 + |x|) to the third: rounds off what is too strong, the odd harmonics come with it. */
const rounded = (x: number) => {
  const y = Math.max(-1.5, Math.min(1.5, x))
  return y - (4 / 27) * y * y * y
}

/** An instrument through an amplifier that rounds off what is too strong, and a loudspeaker that is dull above 4 kHz. */
export function driven(instrument: Instrument, { drive, dull }: Drive): Instrument {
  return (notes, frames, bend) =>
    instrument(notes, frames, bend).map((samples) => {
      let low = 0
      let lower = 0
      let still = 0
      for (let n = 0; n < samples.length; n++) {
        const x = rounded(samples[n]! * drive)
        low += dull * (x - low)
        lower += dull * (low - lower)
        still += 0.004 * (lower - still)
        samples[n] = 0.3 * (lower - still)
      }
      return samples
    })
}
