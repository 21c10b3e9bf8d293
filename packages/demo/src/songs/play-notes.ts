import type { MidiPart } from '@rudlo/core/midi'
import { TICKS_PER_QUARTER, type MeterChange, type TempoChange } from '@rudlo/core/time'
import { playerFor, strokeFor } from '../instruments/general-midi'
import { playPart } from './play-score'

/** How long and how fast a piece of music is. */
export interface Frame {
  readonly bars: number
  readonly tempo: readonly TempoChange[]
  readonly meter: readonly MeterChange[]
}

/** Highest amplitude of a part that was played from notes. */
const PEAK = 0.5

/** Plays a part of a MIDI file on the instrument that comes nearest to its program: exactly as written, same samples every time. */
export function playNotes({ program, drums, notes }: MidiPart, frame: Frame): readonly Int16Array[] {
  const { instrument, role, name, channels } = playerFor(program, drums)
  const part = {
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
  return playPart({ title: '', sections: [], parts: [part], ...frame }, part).channels
}
