import { levelScale } from './level'
import { linearScale } from './linear'
import { logScale } from './log'
import type { Scale } from './scale'
import { switchScale } from './switch'
import {
  choice,
  decibels,
  gainDecibels,
  hertz,
  leaning,
  milliseconds,
  noteValue,
  onOff,
  panning,
  percent,
  ratio,
  type Unit,
} from './unit'

/** The colour family of a lane. */
export type Family = 'volume' | 'pan' | 'send' | 'effect' | 'switch'

/** What a control is: its range, its resting values, and how people read and type it. */
export interface Control {
  readonly name: string
  readonly family: Family
  readonly scale: Scale
  readonly unit: Unit
  /** The value a fresh control has. */
  readonly initial: number
  /** The value at which it does nothing. */
  readonly neutral: number
}

function control(
  name: string,
  family: Family,
  scale: Scale,
  unit: Unit,
  initial: number,
  neutral = initial,
): Control {
  return { name, family, scale, unit, initial, neutral }
}

const frequency = logScale(20, 20_000)

/** The controls of tracks, returns, sends and the main output, by the last word of their address. */
export const MIXER_CONTROLS = {
  level: control('Volume', 'volume', levelScale, decibels, 0),
  gain: control('Pre-fader gain', 'volume', linearScale(-24, 24), gainDecibels, 0),
  pan: control('Pan', 'pan', linearScale(-1, 1), panning, 0),
  width: control('Width', 'pan', linearScale(0, 2), percent, 1),
  mute: control('Mute', 'switch', switchScale, onOff, 0),
} as const

/** The controls of a send. */
export const SEND_CONTROLS = {
  level: control('Send', 'send', levelScale, decibels, -90),
  on: control('Send on', 'switch', switchScale, onOff, 1),
} as const

/** The controls that every effect has besides its own parameters. */
export const COMMON_EFFECT_CONTROLS = {
  wet: control('Wet', 'effect', linearScale(0, 1), percent, 1, 0),
  bypass: control('Bypass', 'switch', switchScale, onOff, 0, 1),
} as const

/** The parameters of each kind of effect that a line can move. */
export const EFFECT_CONTROLS = {
  eq: {
    lowFrequency: control('Low frequency', 'effect', frequency, hertz, 120),
    lowGain: control('Low gain', 'effect', linearScale(-18, 18), gainDecibels, 0),
    bellFrequency: control('Bell frequency', 'effect', frequency, hertz, 1000),
    bellGain: control('Bell gain', 'effect', linearScale(-18, 18), gainDecibels, 0),
    bellQ: control('Bell width', 'effect', logScale(0.1, 10), ratio, 1),
    highFrequency: control('High frequency', 'effect', frequency, hertz, 6000),
    highGain: control('High gain', 'effect', linearScale(-18, 18), gainDecibels, 0),
  },
  filter: {
    frequency: control('Frequency', 'effect', frequency, hertz, 20_000),
    resonance: control('Resonance', 'effect', logScale(0.5, 20), ratio, 0.7071),
  },
  delay: {
    time: control('Time', 'effect', logScale(1, 2000), milliseconds, 375),
    note: control('Note', 'effect', linearScale(60, 3840), noteValue, 480),
    feedback: control('Feedback', 'effect', linearScale(0, 0.95), percent, 0.35, 0),
    lowCut: control('Low cut', 'effect', frequency, hertz, 20),
    highCut: control('High cut', 'effect', frequency, hertz, 20_000),
    sideToSide: control('Side to side', 'effect', linearScale(0, 1), percent, 0),
  },
  reverb: {
    size: control('Size', 'effect', linearScale(0, 1), percent, 0.5),
    decay: control('Decay', 'effect', logScale(200, 12_000), milliseconds, 1800),
    damping: control('Damping', 'effect', linearScale(0, 1), percent, 0.4, 0),
    preDelay: control('Pre-delay', 'effect', linearScale(0, 250), milliseconds, 12, 0),
  },
  flanger: {
    rate: control('Rate', 'effect', logScale(0.02, 8), ratio, 0.3),
    depth: control('Depth', 'effect', linearScale(0, 1), percent, 0.5, 0),
    feedback: control('Feedback', 'effect', linearScale(-0.95, 0.95), percent, 0.3, 0),
  },
  chopper: {
    variation: control('Variation', 'effect', linearScale(0, 7), choice, 0),
    depth: control('Depth', 'effect', linearScale(0, 1), percent, 1, 0),
    smoothness: control('Smoothness', 'effect', linearScale(0, 1), percent, 0.2),
  },
  playing: {
    attack: control('Attack', 'effect', linearScale(-1, 1), leaning('softer', 'harder'), 0),
    brightness: control('Brightness', 'effect', linearScale(-1, 1), leaning('darker', 'brighter'), 0),
  },
} as const satisfies Record<string, Record<string, Control>>

export type EffectKind = keyof typeof EFFECT_CONTROLS
export const EFFECT_KINDS = Object.keys(EFFECT_CONTROLS) as EffectKind[]

/** Reads a typed value for a control: clamped to its range, with a flag that says so; null for nonsense. */
export function readValue(of: Control, text: string): { value: number; clamped: boolean } | null {
  const typed = of.unit.parse(text)
  if (typed === null || !Number.isFinite(typed)) return null
  const value = Math.min(of.scale.max, Math.max(of.scale.min, typed))
  return { value, clamped: value !== typed }
}
