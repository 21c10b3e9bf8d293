import { RATE, type Instrument, type Note } from './note'
import { randomSource } from './random'
import { readTable, SINE } from './wavetable'

/** The strokes: what a drum note's pitch means. */
export const STROKE = { kick: 36, swish: 38, tap: 42 } as const

function kick(note: Note, out: Float32Array): void {
  const from = Math.round(note.start * RATE)
  const frames = Math.min(Math.round(0.26 * RATE), out.length - from)
  let phase = 0
  let level = note.strength
  let frequency = 118
  for (let n = 0; n < frames; n++) {
    out[from + n]! += readTable(SINE, phase) * level
    phase += frequency / RATE
    if (phase >= 1) phase -= 1
    frequency += (48 - frequency) * 0.0011
    level *= 0.99965
    if (n > frames - 400) level *= 0.985
  }
}

function hiss(note: Note, out: Float32Array, random: () => number): void {
  const long = note.pitch === STROKE.swish
  const from = Math.max(0, Math.round(note.start * RATE))
  const frames = Math.min(Math.round((long ? 0.3 : 0.07) * RATE), out.length - from)
  const rise = long ? 0.05 * RATE : 0.002 * RATE
  const f = long ? 0.55 : 0.95
  let low = 0
  let band = 0
  for (let n = 0; n < frames; n++) {
    const white = random() * 2 - 1
    low += f * band
    const high = white - low - 0.9 * band
    band += f * high
    const fall = 1 - n / frames
    const level = (n < rise ? n / rise : 1) * fall * fall
    out[from + n]! += (long ? band : high * 0.5) * level * note.strength * 0.5
  }
}

/** A small drum kit played with brushes. */
export const brushes: Instrument = (notes, frames) => {
  const out = new Float32Array(frames)
  const random = randomSource(97)
  for (const note of notes) {
    if (note.pitch === STROKE.kick) kick(note, out)
    else hiss(note, out, random)
  }
  return [out]
}
