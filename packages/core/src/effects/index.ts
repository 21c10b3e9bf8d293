/** The effects: what each is called, what it is for, its controls and choices. What they do to the sound is the engine's. */
export { controlsOf, EFFECT_KINDS, EFFECTS, modesOf, type EffectKind } from './catalogue'
export type { EffectEntry, EffectPictureKind } from './entry'
