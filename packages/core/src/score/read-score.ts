import { readMidi, type MidiSong } from '../midi'
import { isMusicXml, readMusicXml } from '../musicxml'

/**
 * Reads a MIDI file or a score in MusicXML, whichever it is.
 * @throws RangeError with one sentence for anything else, or for a damaged file
 */
export const readScore = (bytes: Uint8Array): MidiSong =>
  isMusicXml(bytes) ? readMusicXml(bytes) : readMidi(bytes)
