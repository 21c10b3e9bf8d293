import type { EffectKind } from '../effects'
import type { Envelope, Points } from '../envelope'

/** A piece of audio on a track. Level and fades are the student's. */
export interface Region {
  readonly id: string
  readonly asset: string
  readonly start: number
  /** In samples of the asset. */
  readonly offset: number
  /** In samples. */
  readonly length: number
  /** dB. */
  readonly level: number
  /** Length of the fade at the start, in samples. */
  readonly fadeIn: number
  readonly fadeOut: number
}

/** What a track or return gives to a return. */
export interface Send {
  readonly id: string
  readonly to: string
  /** dB. */
  readonly level: number
  /** Before or after the fader. */
  readonly tap: 'pre' | 'post'
  readonly on: boolean
}

/** One effect in a chain. `params` holds every parameter of its kind, in its own unit. */
export interface Effect {
  readonly id: string
  readonly kind: EffectKind
  /** The person's own name for it; empty for none. */
  readonly name: string
  readonly bypass: boolean
  /** Share of the effect in its output, 0…1. */
  readonly wet: number
  /** The kind's choices that no line can move: filter type, delay timing. */
  readonly mode: string
  readonly params: Readonly<Record<string, number>>
}

export interface TrackMix {
  readonly id: string
  readonly regions: readonly Region[]
  /** Pre-fader gain, dB. */
  readonly gain: number
  readonly effects: readonly Effect[]
  readonly mute: boolean
  readonly sends: readonly Send[]
  /** Fader, dB. */
  readonly level: number
  /** −1…+1. */
  readonly pan: number
  /** Of a stereo track: 0 mono, 1 as it is, 2 twice as wide. */
  readonly width: number
}

export interface ReturnMix {
  readonly id: string
  readonly name: string
  readonly effects: readonly Effect[]
  readonly mute: boolean
  readonly level: number
  readonly pan: number
  /** To later returns only. */
  readonly sends: readonly Send[]
}

/** A move kept for reuse: its points from tick 0 on, for controls of one kind of scale and unit. */
export interface Motif {
  readonly id: string
  readonly name: string
  /** The kind of control it was taken from: the last word of the address, and the effect's kind if any. */
  readonly control: string
  /** Ticks. */
  readonly length: number
  readonly points: Points
}

/** Where a motif is placed. The points of the envelope are the truth; this only refers to them. */
export interface Placement {
  readonly id: string
  readonly motif: string
  readonly envelope: string
  readonly start: number
}

/** The whole of a mix: `rudlo-mix` version 1. */
export interface Mix {
  readonly format: 'rudlo-mix'
  readonly version: 1
  readonly tracks: readonly TrackMix[]
  readonly returns: readonly ReturnMix[]
  readonly main: { readonly level: number }
  readonly envelopes: readonly Envelope[]
  readonly motifs: readonly Motif[]
  readonly placements: readonly Placement[]
}

/** Limits of a mix. */
export const LIMITS = {
  /** Bytes of the JSON text. */
  bytes: 2 * 1024 * 1024,
  envelopes: 128,
  pointsPerEnvelope: 5000,
  points: 20_000,
} as const

/** A student's own note to a place in the song. */
export interface ListeningNote {
  readonly id: string
  readonly tick: number
  readonly text: string
  readonly done: boolean
}

/** What is saved of a work: the mix, and what belongs beside it. Patches are made against this. */
export interface WorkDocument {
  readonly mix: Mix
  readonly notes: readonly ListeningNote[]
}
