/** Standard MIDI Files: read as music, and lines of a mix written as controllers. */
export {
  MIDI_LIMITS,
  MIX_CONTROLLERS,
  readMidi,
  type MidiMove,
  type MidiNote,
  type MidiPart,
  type MidiSong,
} from './read-midi'
export { linesFromMidi, type BroughtLine } from './lines-from-midi'
export { leftOutOfMidi, writeMidi } from './write-midi'
