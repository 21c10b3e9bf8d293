/** Standard MIDI Files: read as music, and lines of a mix written as controllers. */
export { MIX_CONTROLLERS, type MidiBend, type MidiMove, type MidiNote } from './events'
export { DEPTHS, levelOfShare } from './controllers'
export { controllersOf, type ControllerTrack, type WrittenController } from './controllers-of'
export { inOrder } from './in-order'
export { isFoul, partName, songTitle } from './names'
export { MIDI_LIMITS, readMidi, type MidiPart, type MidiSong } from './read-midi'
export { linesFromMidi, type BroughtLine } from './lines-from-midi'
export { leftOutOfMidi, writeMidi } from './write-midi'
