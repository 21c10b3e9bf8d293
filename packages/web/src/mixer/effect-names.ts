import type { EffectKind } from '@rudlo/core/scale'

/** The effects as people call them. */
export const EFFECT_NAMES: Readonly<Record<EffectKind, string>> = {
  eq: 'EQ',
  filter: 'Filter',
  delay: 'Delay',
  reverb: 'Reverb',
  flanger: 'Flanger',
  chopper: 'Chopper',
  playing: 'Playing',
}

/** One line about each: what it is for. */
export const EFFECT_ABOUT: Readonly<Record<EffectKind, string>> = {
  eq: 'Makes lows, a middle and highs softer or stronger.',
  filter: 'Takes away what lies above or below a frequency, and can be swept.',
  delay: 'Repeats the sound after a while.',
  reverb: 'Puts the sound in a room.',
  flanger: 'Adds a copy that wanders a few milliseconds behind.',
  chopper: 'Opens and shuts in a rhythm.',
  playing: 'How it is played: how hard notes begin, and how bright they are.',
}
