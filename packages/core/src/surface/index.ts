/** Control surfaces: MIDI bytes in and out, and what they mean for faders and knobs. */
export { MidiParser, type MidiMessage } from './midi-parser'
export { RIG_MAP, STRIPS, type Source, type SurfaceMap } from './surface-map'
export { SurfaceReader, type SurfaceEvent } from './surface-reader'
export { motorBytes, transportBytes, touchBytes } from './surface-writer'
export { Takeover } from './takeover'
