import type { MidiPart } from '../midi'
import { MOST_BENDS, type WrittenPart } from '../song'
import { TICKS_PER_QUARTER } from '../time'
import { playerFor } from './general-midi'
import { seedOf } from './play-part'

const quarters = (ticks: number) => ticks / TICKS_PER_QUARTER

/**
 * A part of a MIDI file for the instrument that its program asks for: exactly as written, at full scale.
 */
export function writtenFromMidi({
  program,
  drums,
  notes,
  bends,
}: Pick<MidiPart, 'program' | 'drums' | 'notes' | 'bends'>): WrittenPart {
  const { player, name } = playerFor(program, drums)
  const slides = notes.flatMap(({ slide }, i) => (slide ? [[i, slide.from, slide.seconds] as const] : []))
  return {
    player,
    freedom: 0,
    peak: 1,
    seed: seedOf(name, notes.length),
    notes: notes.map((n) => [quarters(n.tick), quarters(n.ticks), n.pitch, n.strength]),
    ...(bends.length && !drums
      ? { bends: bends.slice(0, MOST_BENDS).map((b) => [quarters(b.tick), b.semitones] as const) }
      : {}),
    ...(slides.length && !drums ? { slides } : {}),
  }
}
