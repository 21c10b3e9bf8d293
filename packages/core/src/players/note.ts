import { exp } from '../maths'
import type { Slide } from '../midi'

/** A note as an instrument plays it. */
export interface Note {
  /** Seconds. */
  readonly start: number
  readonly seconds: number
  /** MIDI note number; drums read it as the kind of stroke. */
  readonly pitch: number
  /** 0…1. */
  readonly strength: number
  readonly slide?: Slide
}

/** Samples from one value of a {@link Bend} to the next. */
export const BEND_STEP = 64

/**
 * How far the pitch of a whole part is bent: a factor on the frequency, one every {@link BEND_STEP} samples from the start of
 * the part. What comes after the last value is bent like it.
 */
export type Bend = Float32Array

/** Plays notes into a fresh buffer, one array a channel. What has no pitch, or only struck ones, does not follow a bend. */
export type Instrument = (notes: readonly Note[], frames: number, bend?: Bend) => Float32Array[]

export const RATE = 44_100

const SEMITONE = 0.6931471805599453 / 12

/** Frequency of a MIDI note number, with A above middle C at 440 Hz. */
export function hz(pitch: number): number {
  return 440 * exp((pitch - 69) * SEMITONE)
}

/** The factor that so many semitones are. */
export const ratioOf = (semitones: number): number => exp(semitones * SEMITONE)
