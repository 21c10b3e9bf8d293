import type { AssetAudio, Loop, Program, Solo } from '@rudlo/core/engine'

/** What the audio thread is given when it starts. */
export interface EngineOptions {
  readonly program: Program
  readonly audio: readonly (readonly [id: string, audio: AssetAudio])[]
  readonly state: SharedArrayBuffer
}

/** What the page tells the audio thread. */
export type EngineMessage =
  | { readonly kind: 'program'; readonly program: Program }
  | { readonly kind: 'play' }
  | { readonly kind: 'stop' }
  | { readonly kind: 'seek'; readonly sample: number }
  | { readonly kind: 'loop'; readonly loop: Loop | null }
  | { readonly kind: 'moves'; readonly on: boolean }
  | { readonly kind: 'solo'; readonly solo: Solo }
