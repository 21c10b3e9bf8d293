/** How the value of a control maps to its travel, 0 (bottom or left) to 1. Lines are drawn straight in travel. */
export interface Scale {
  readonly kind: 'level' | 'linear' | 'log' | 'switch'
  readonly min: number
  readonly max: number
  /** Travel below which the control is silent: readings below it count as 0. 0 where nothing is silent. */
  readonly silentBelow: number
  /** Travel of a value; values outside the range are clamped. */
  toTravel(value: number): number
  /** Value of a travel; travel outside 0…1 is clamped. */
  toValue(travel: number): number
}

export function clamp(x: number, low: number, high: number): number {
  return x < low ? low : x > high ? high : x
}
