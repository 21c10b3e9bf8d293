import { RATE, type Instrument, type Note } from '../../note'
import { randomSource } from '../../random'
import { CHOKES, STROKES } from './strokes'

/** Keys below and above the map are drums as well. */
const LOWEST = 35
const HIGHEST = 87

const strokeOf = (pitch: number) => STROKES[pitch] ?? STROKES[pitch < LOWEST ? LOWEST : HIGHEST]!

/** A drum kit with hand percussion beside it; the pitch of a note is its key. How long a note is does not matter. */
export const kit: Instrument = (notes, frames) => {
  const out = new Float32Array(frames)
  const random = randomSource(1361)
  const choked = chokes(notes)
  notes.forEach((note, i) => {
    const from = Math.max(0, Math.round(note.start * RATE))
    if (from >= frames) return
    // a blow twice as hard is more than twice as loud
    const strength = 0.25 * note.strength + 0.75 * note.strength * note.strength
    strokeOf(note.pitch)({ out, from, strength, random, choked: choked[i]! })
  })
  return [out]
}

/** For each of the notes, which are in order, the sample at which another key shuts it. */
function chokes(notes: readonly Note[]): Float64Array {
  const at = new Float64Array(notes.length).fill(Infinity)
  const next = new Map<number, number>()
  for (let i = notes.length - 1; i >= 0; i--) {
    const { pitch, start } = notes[i]!
    for (const by of CHOKES[pitch] ?? []) at[i] = Math.min(at[i]!, next.get(by) ?? Infinity)
    next.set(pitch, Math.round(start * RATE))
  }
  return at
}
