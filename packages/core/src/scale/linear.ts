import { clamp, type Scale } from './scale'

/** A scale on which equal steps of value are equal steps of travel. */
export function linearScale(min: number, max: number): Scale {
  return {
    kind: 'linear',
    min,
    max,
    silentBelow: 0,
    toTravel: (value) => clamp((value - min) / (max - min), 0, 1),
    toValue: (travel) => clamp(min + (max - min) * travel, min, max),
  }
}
