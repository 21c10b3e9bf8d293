import type { Control } from '../scale'
import { chopper } from './chopper/entry'
import { delay } from './delay/entry'
import type { EffectEntry } from './entry'
import { eq } from './eq/entry'
import { filter } from './filter/entry'
import { flanger } from './flanger/entry'
import { playing } from './playing/entry'
import { reverb } from './reverb/entry'

/** Every effect there is. */
export const EFFECTS = { eq, filter, delay, reverb, flanger, chopper, playing } as const satisfies Record<
  string,
  EffectEntry
>

export type EffectKind = keyof typeof EFFECTS

const isKind = (kind: string): kind is EffectKind => kind in EFFECTS
export const EFFECT_KINDS: readonly EffectKind[] = Object.keys(EFFECTS).filter(isKind)

/** The parameters of a kind of effect that a line can move, by their word. */
export const controlsOf = (kind: EffectKind): Readonly<Record<string, Control>> => EFFECTS[kind].controls

/** The choices of a kind of effect; the first is what a fresh one has. */
export const modesOf = (kind: EffectKind): readonly [string, ...string[]] => EFFECTS[kind].modes
