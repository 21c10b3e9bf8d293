import { words } from '@rudlo/words'
import { levelScale } from './level'
import { linearScale } from './linear'
import type { Scale } from './scale'
import { onStep } from './steps'
import { switchScale } from './switch'
import { beatsPerMinute, decibels, gainDecibels, onOff, panning, percent, type Unit } from './unit'

/** The colour family of a lane. */
export type Family = 'volume' | 'pan' | 'send' | 'effect' | 'switch' | 'tempo'

/** What a control is: its range, its resting values, and how people read and type it. */
export interface Control {
  /** As people call it, in the language that is spoken. */
  readonly name: string
  readonly family: Family
  readonly scale: Scale
  readonly unit: Unit
  /** The value a fresh control has. */
  readonly initial: number
  /** The value at which it does nothing. */
  readonly neutral: number
  /** The values that it can be set to, where it has steps, in rising order. */
  readonly steps?: readonly number[]
}

/** Declares a control, called as the catalog says under its key; `neutral` is as `initial` where it does nothing at first. */
export function control(
  key: string,
  family: Family,
  scale: Scale,
  unit: Unit,
  initial: number,
  neutral = initial,
): Control {
  return {
    get name() {
      return words(`control.${key}`)
    },
    family,
    scale,
    unit,
    initial,
    neutral,
  }
}

/** A control that has steps. */
export const stepped = (of: Control, steps: readonly number[]): Control =>
  Object.defineProperties({ steps } as Control, Object.getOwnPropertyDescriptors(of))

/** The controls of tracks, returns, sends and the main output, by the last word of their address. */
export const MIXER_CONTROLS = {
  level: control('volume', 'volume', levelScale, decibels, 0),
  gain: control('pre-fader-gain', 'volume', linearScale(-24, 24), gainDecibels, 0),
  pan: control('pan', 'pan', linearScale(-1, 1), panning, 0),
  width: control('width', 'pan', linearScale(0, 2), percent, 1),
  mute: control('mute', 'switch', switchScale, onOff, 0),
} as const

/** Slowest and fastest tempo of a line, in quarters a minute. */
const TEMPO_RANGE = { slowest: 40, fastest: 200 } as const

/** What belongs to the song as a whole. The tempo goes by whole numbers, as musicians say it. */
export const SONG_CONTROLS = {
  tempo: stepped(
    control('tempo', 'tempo', linearScale(TEMPO_RANGE.slowest, TEMPO_RANGE.fastest), beatsPerMinute, 120),
    Array.from({ length: TEMPO_RANGE.fastest - TEMPO_RANGE.slowest + 1 }, (_, i) => TEMPO_RANGE.slowest + i),
  ),
} as const

/** The controls of a send. */
export const SEND_CONTROLS = {
  level: control('send', 'send', levelScale, decibels, -90),
  on: control('send-on', 'switch', switchScale, onOff, 1),
} as const

/** The controls that every effect has besides its own parameters. */
export const COMMON_EFFECT_CONTROLS = {
  wet: control('wet', 'effect', linearScale(0, 1), percent, 1, 0),
  bypass: control('bypass', 'switch', switchScale, onOff, 0, 1),
} as const

/** Reads a typed value for a control: clamped to its range, with a flag that says so; null for nonsense. */
export function readValue(of: Control, text: string): { value: number; clamped: boolean } | null {
  const typed = of.unit.parse(text)
  if (typed === null || !Number.isFinite(typed)) return null
  const value = Math.min(of.scale.max, Math.max(of.scale.min, typed))
  return { value: onStep(of, value), clamped: value !== typed }
}
