import type { AssetAudio, Loop, PostedProgram, Program, Solo } from '@rudlo/core/engine'

/** What the audio thread is given when it starts. */
export interface EngineOptions {
  readonly program: Program
  readonly audio: readonly (readonly [id: string, audio: AssetAudio])[]
  readonly state: SharedArrayBuffer
}

/** How it is listened to: for the ear alone, neither saved nor rendered nor measured. */
export interface Listening {
  readonly mono: boolean
  readonly metronome: boolean
  readonly countIn: boolean
}

/** What the page tells the audio thread. */
export type EngineMessage =
  | { readonly kind: 'program'; readonly posted: PostedProgram }
  | { readonly kind: 'play' }
  | { readonly kind: 'stop' }
  | { readonly kind: 'seek'; readonly sample: number }
  | { readonly kind: 'loop'; readonly loop: Loop | null }
  | { readonly kind: 'moves'; readonly on: boolean }
  | { readonly kind: 'solo'; readonly solo: Solo }
  | { readonly kind: 'listen'; readonly listening: Listening }
  | { readonly kind: 'trim'; readonly gain: number }
