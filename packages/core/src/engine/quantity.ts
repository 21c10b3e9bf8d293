import { type EffectKind, controlsOf } from '../effects'
import { gainOfDb } from '../maths'
import { levelGain, levelGainOfTravel, MIXER_CONTROLS } from '../scale'

/** What a control means to the sound: how its value and its travel become the number that is applied. */
export interface Quantity {
  ofValue(value: number): number
  ofTravel(travel: number): number
  /** Whether equal steps of travel are equal steps of it: what runs straight as drawn then runs straight as heard. */
  readonly even: boolean
}

/** Amplitude of a fader. */
export const levelQuantity: Quantity = { ofValue: levelGain, ofTravel: levelGainOfTravel, even: false }

/** Amplitude of the pre-fader gain. */
export const gainQuantity: Quantity = {
  ofValue: gainOfDb,
  ofTravel: (t) => gainOfDb(MIXER_CONTROLS.gain.scale.toValue(t)),
  even: false,
}

/** Pan position, −1…+1. */
export const panQuantity: Quantity = { ofValue: (p) => p, ofTravel: (t) => 2 * t - 1, even: true }

/** Factor on the side signal, 0…2. */
export const widthQuantity: Quantity = { ofValue: (w) => w, ofTravel: (t) => 2 * t, even: true }

/** Amplitude through a mute: 0 where it is on. */
export const muteQuantity: Quantity = {
  ofValue: (m) => (m >= 0.5 ? 0 : 1),
  ofTravel: (t) => (t >= 0.5 ? 0 : 1),
  even: true,
}

/** A switch that lets sound through while it is on. */
export const openQuantity: Quantity = {
  ofValue: (on) => (on >= 0.5 ? 1 : 0),
  ofTravel: (t) => (t >= 0.5 ? 1 : 0),
  even: true,
}

/** A share of a whole, 0…1. */
export const shareQuantity: Quantity = { ofValue: (share) => share, ofTravel: (t) => t, even: true }

/** A parameter of an effect in its own unit. */
export function plainQuantity(kind: EffectKind, word: string): Quantity {
  const { scale } = controlsOf(kind)[word]!
  const middle = (scale.toValue(0) + scale.toValue(1)) / 2
  return {
    ofValue: (value) => value,
    ofTravel: (t) => scale.toValue(t),
    even: Math.abs(scale.toValue(0.5) - middle) <= 1e-9 * Math.abs(middle),
  }
}
