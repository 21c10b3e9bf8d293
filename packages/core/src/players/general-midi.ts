import type { Role } from '../song'
import { brushes, STROKE } from './brushes'
import { hum, lowStrings, squeezebox, whistle } from './breath'
import type { Instrument } from './note'
import { harp, uprightBass } from './plucked'

/** Who plays a part of a MIDI file. */
export interface Player {
  readonly instrument: Instrument
  readonly role: Role
  /** What the part is called where the file does not say. */
  readonly name: string
  readonly channels: 1 | 2
}

const player = (name: string, role: Role, instrument: Instrument): Player => ({
  name,
  role,
  instrument,
  channels: instrument([], 1).length === 2 ? 2 : 1,
})

/** The sixteen families of eight programs each (General MIDI 1), by the instrument that comes nearest to them here. */
const FAMILIES: readonly Player[] = [
  player('Piano', 'chords', harp),
  player('Bells', 'chords', harp),
  player('Organ', 'chords', squeezebox),
  player('Guitar', 'chords', harp),
  player('Bass', 'bass', uprightBass),
  player('Strings', 'texture', lowStrings),
  player('Ensemble', 'texture', lowStrings),
  player('Brass', 'chords', squeezebox),
  player('Reed', 'lead', squeezebox),
  player('Pipe', 'lead', whistle),
  player('Lead', 'lead', whistle),
  player('Pad', 'texture', hum),
  player('Effect', 'effect', hum),
  player('Plucked', 'chords', harp),
  player('Percussion', 'drums', harp),
  player('Sound', 'effect', hum),
]

const DRUMS: Player = player('Drums', 'drums', brushes)

/** Voices among the ensembles: choir aahs, voice oohs, synth voice. */
const VOICES: Player = player('Voices', 'voice', hum)

/** The instrument for a program of General MIDI, 0…127. */
export function playerFor(program: number, drums: boolean): Player {
  if (drums) return DRUMS
  if (program >= 52 && program <= 54) return VOICES
  return FAMILIES[Math.min(15, Math.max(0, program >> 3))]!
}

/** The stroke of the brushes that comes nearest to a drum of General MIDI: kicks, what rings, and what is struck. */
export function strokeFor(pitch: number): number {
  if (pitch <= 36) return STROKE.kick
  return [38, 40, 46, 49, 51, 52, 55, 57, 59, 82].includes(pitch) ? STROKE.swish : STROKE.tap
}
