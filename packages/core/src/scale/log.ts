import { exp, log } from '../maths'
import { clamp, type Scale } from './scale'

/** A scale on which equal ratios are equal steps of travel (Hz, ms); both ends above 0. */
export function logScale(min: number, max: number): Scale {
  const span = log(max / min)
  return {
    kind: 'log',
    min,
    max,
    silentBelow: 0,
    toTravel: (value) => clamp(log(clamp(value, min, max) / min) / span, 0, 1),
    toValue: (travel) => clamp(min * exp(span * clamp(travel, 0, 1)), min, max),
  }
}
