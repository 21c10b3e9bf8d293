import { RATE, type Instrument } from './note'
import { randomSource } from './random'
import { readTable, SINE } from './wavetable'

/** Water against a quay, in stereo: noise whose colour and strength come and go in slow waves. */
export const tide: Instrument = (notes, frames) =>
  [0, 1].map((side) => {
    const out = new Float32Array(frames)
    const random = randomSource(131 + side)
    for (const note of notes) {
      const from = Math.round(note.start * RATE)
      const count = Math.min(Math.round(note.seconds * RATE), frames - from)
      const edge = 0.8 * RATE
      let low = 0
      let band = 0
      let deep = 0
      for (let n = 0; n < count; n++) {
        const t = n / RATE
        const wave = 0.5 + 0.5 * readTable(SINE, fraction(t / 5.3 + side * 0.21))
        const slow = 0.5 + 0.5 * readTable(SINE, fraction(t / 13.1 + side * 0.4))
        const f = 0.02 + 0.12 * wave * wave
        const white = random() * 2 - 1
        low += f * band
        band += f * (white - low - 0.7 * band)
        deep += 0.006 * (white - deep)
        const level = Math.min(1, n / edge, (count - n) / edge) * (0.35 + 0.4 * wave + 0.25 * slow)
        out[from + n]! += (band * 0.8 + deep * 2.2) * level * note.strength
      }
    }
    return out
  })

function fraction(x: number): number {
  return x - Math.floor(x)
}
