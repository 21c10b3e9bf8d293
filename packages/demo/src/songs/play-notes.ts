import type { MidiPart } from '@rudlo/core/midi'
import type { WrittenPart } from '@rudlo/core/song'
import { TICKS_PER_QUARTER, type MeterChange, type TempoChange } from '@rudlo/core/time'
import { playerFor, strokeFor } from '@rudlo/core/players'
import { playPart } from './play-score'
import type { Part } from './score'
import { writtenPart } from './written-part'

/** How long and how fast a piece of music is. */
export interface Frame {
  readonly bars: number
  readonly tempo: readonly TempoChange[]
  readonly meter: readonly MeterChange[]
}

/** Highest amplitude of a part that was played from notes. */
const PEAK = 0.5

type Notes = Pick<MidiPart, 'program' | 'drums' | 'notes'>

function partOf({ program, drums, notes }: Notes): Part {
  const { instrument, role, name, channels } = playerFor(program, drums)
  return {
    id: name,
    name,
    role,
    channels,
    instrument,
    freedom: 0,
    peak: PEAK,
    notes: notes.map((n) => ({
      at: n.tick / TICKS_PER_QUARTER,
      quarters: n.ticks / TICKS_PER_QUARTER,
      pitch: drums ? strokeFor(n.pitch) : n.pitch,
      strength: n.strength,
    })),
  }
}

/** Plays a part of a MIDI file on the instrument that comes nearest to its program: exactly as written, same samples every time. */
export function playNotes(notes: Notes, frame: Frame): readonly Int16Array[] {
  const part = partOf(notes)
  return playPart({ title: '', sections: [], parts: [part], ...frame }, part).channels
}

/** What is kept of a part of a MIDI file, so that it can be played again. */
export const writtenNotes = (notes: Notes): WrittenPart | undefined => writtenPart(partOf(notes))
