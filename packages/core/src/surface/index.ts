/** Control surfaces: MIDI bytes in and out, and what they mean for faders and knobs. */
export { MidiParser, type MidiMessage } from './midi-parser'
export { RIG_MAP, STRIPS, untaught, type Source, type SurfaceMap, type TouchNote } from './surface-map'
export { readSurface, writeSurface, LONGEST_NAME } from './surface-file'
export { Teacher, type Taught } from './teacher'
export { SurfaceReader, type SurfaceEvent } from './surface-reader'
export { motorBytes, transportBytes, touchBytes } from './surface-writer'
export { Takeover } from './takeover'
