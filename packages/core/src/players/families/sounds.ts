import { RATE, type Instrument, type Note } from '../note'
import { randomSource } from '../random'

/** Noise that comes and goes: sea, wind, breath, applause. Higher notes are brighter. */
export const seaAndWind: Instrument = (notes, frames) => {
  const out = new Float32Array(frames)
  const random = randomSource(1367)
  for (const note of notes) blow(note, out, random)
  return [out]
}

function blow({ start, seconds, pitch, strength }: Note, out: Float32Array, random: () => number): void {
  const from = Math.max(0, Math.round(start * RATE))
  const held = Math.round(seconds * RATE)
  const release = Math.round(0.4 * RATE)
  const attack = Math.max(1, Math.min(held >> 1, Math.round(0.25 * RATE)))
  const frames = Math.min(held + release, out.length - from)
  const f = Math.min(0.8, 0.02 + 0.004 * pitch)
  let low = 0
  let band = 0
  for (let n = 0; n < frames; n++) {
    low += f * band
    band += f * (random() * 2 - 1 - low - 0.8 * band)
    const level = Math.min(1, n / attack) * (n > held ? Math.max(0, 1 - (n - held) / release) : 1)
    out[from + n]! += band * level * strength * 0.5
  }
}
