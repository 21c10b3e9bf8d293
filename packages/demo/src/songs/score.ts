import type { Role, Section } from '@rudlo/core/song'
import type { MeterChange, TempoChange } from '@rudlo/core/time'
import type { Instrument } from '@rudlo/core/players'

/** A note as written: times in quarters from the start of the song. */
export interface WrittenNote {
  readonly at: number
  readonly quarters: number
  readonly pitch: number
  /** 0…1. */
  readonly strength: number
}

/** One part of a score: who plays it, on what, and how freely. */
export interface Part {
  readonly id: string
  readonly name: string
  readonly role: Role
  readonly channels: 1 | 2
  readonly instrument: Instrument
  readonly notes: readonly WrittenNote[]
  /** Most a note comes early or late, in seconds. */
  readonly freedom: number
  /** Peak of the rendered track as amplitude, below 1. */
  readonly peak: number
}

/** A song written for Rudlo's demo. */
export interface Score {
  readonly title: string
  readonly bars: number
  readonly tempo: readonly TempoChange[]
  readonly meter: readonly MeterChange[]
  readonly sections: readonly Section[]
  readonly parts: readonly Part[]
}

/** Writes a melody: pairs of pitch (0 for a rest) and length, from a quarter on. */
export function melody(
  at: number,
  strength: number,
  notes: readonly (readonly [pitch: number, quarters: number])[],
): WrittenNote[] {
  const written: WrittenNote[] = []
  let now = at
  for (const [pitch, quarters] of notes) {
    if (pitch) written.push({ at: now, quarters: quarters * 0.94, pitch, strength })
    now += quarters
  }
  return written
}
