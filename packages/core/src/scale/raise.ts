import { clamp, type Scale } from './scale'

/** A value raised by so many dB (a level; silence stays silence), else by so much of the travel. */
export function raised(scale: Scale, value: number, by: number): number {
  if (by === 0) return value
  if (scale.kind !== 'level') return scale.toValue(clamp(scale.toTravel(value) + by, 0, 1))
  return value <= scale.min ? value : clamp(value + by, scale.min, scale.max)
}

/** How far it is from one value to another, as {@link raised} counts. */
export function riseBetween(scale: Scale, from: number, to: number): number {
  return scale.kind === 'level' ? to - from : scale.toTravel(to) - scale.toTravel(from)
}
