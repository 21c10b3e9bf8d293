import type { EffectKind } from '../scale'

/** The choices of each kind of effect; the first is what a fresh one has. */
export const EFFECT_MODES: Readonly<Record<EffectKind, readonly [string, ...string[]]>> = {
  eq: ['bands'],
  filter: ['low-pass', 'high-pass', 'band-pass'],
  delay: ['time', 'note'],
  reverb: ['hall'],
  flanger: ['sweep'],
  chopper: ['steps'],
  playing: ['played'],
}
