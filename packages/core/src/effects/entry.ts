import type { Control } from '../scale'

/** What a picture of an effect shows: what it does to each frequency, its repeats, how it dies away, or its steps. */
export type EffectPictureKind = 'response' | 'repeats' | 'decay' | 'steps'

/** What there is to know of an effect. Mixer, choosers, pictures, the schema of mixes and the documentation follow from it. */
export interface EffectEntry<
  C extends Readonly<Record<string, Control>> = Readonly<Record<string, Control>>,
> {
  /** Its choices that no line can move; the first is what a fresh one has. */
  readonly modes: readonly [string, ...string[]]
  /** Null for one that no picture would explain. */
  readonly picture: EffectPictureKind | null
  /** The parameters that a line can move. */
  readonly controls: C
}

/** Declares an effect; the types of its controls follow. */
export const effectEntry = <const C extends Readonly<Record<string, Control>>>(
  entry: EffectEntry<C>,
): EffectEntry<C> => entry
