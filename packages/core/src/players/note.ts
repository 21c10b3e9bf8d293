import { exp } from '../maths'

/** A note as an instrument plays it. */
export interface Note {
  /** Seconds. */
  readonly start: number
  readonly seconds: number
  /** MIDI note number; drums read it as the kind of stroke. */
  readonly pitch: number
  /** 0…1. */
  readonly strength: number
}

/** Plays notes into a fresh buffer, one array a channel. */
export type Instrument = (notes: readonly Note[], frames: number) => Float32Array[]

export const RATE = 44_100

/** Frequency of a MIDI note number, with A above middle C at 440 Hz. */
export function hz(pitch: number): number {
  return 440 * exp(((pitch - 69) / 12) * 0.6931471805599453)
}
