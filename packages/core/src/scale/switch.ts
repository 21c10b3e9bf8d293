import type { Scale } from './scale'

/** A control with two states, 0 and 1. */
export const switchScale: Scale = {
  kind: 'switch',
  min: 0,
  max: 1,
  silentBelow: 0,
  toTravel: (value) => (value >= 0.5 ? 1 : 0),
  toValue: (travel) => (travel >= 0.5 ? 1 : 0),
}
