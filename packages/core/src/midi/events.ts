/** A note of a MIDI file, in ticks of 960 to a quarter. */
export interface MidiNote {
  readonly tick: number
  readonly ticks: number
  readonly pitch: number
  /** 0…1. */
  readonly strength: number
  /** Where it slides to its pitch from another one. */
  readonly slide?: Slide
}

/** From a pitch, a MIDI note number, to that of a note, in so many seconds. */
export interface Slide {
  readonly from: number
  readonly seconds: number
}

/** A controller that moved, 0…127. */
export interface MidiMove {
  readonly tick: number
  readonly value: number
}

/**
 * Controllers that a mix knows: volume, pan, expression, attack time, brightness, reverb send, chorus send (MIDI 1.0,
 * General MIDI 2).
 */
export const MIX_CONTROLLERS = [7, 10, 11, 73, 74, 91, 93] as const
export type MixController = (typeof MIX_CONTROLLERS)[number]

/** From a tick on the pitch is bent by so many semitones. */
export interface MidiBend {
  readonly tick: number
  readonly semitones: number
}
