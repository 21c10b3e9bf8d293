import type { Address } from '../mix'
import type { AmountUnit, Part, Saying } from './saying'

/** A sentence by its key, with its values. */
export const say = (key: string, parts: Saying['parts'] = {}): Saying => ({ key, parts })

export const at = (tick: number): Part => ({ at: tick })
export const span = (from: number, to: number): Part => ({ span: [from, to] })
export const laneOf = (lane: Address): Part => ({ lane })
export const trackOf = (track: string): Part => ({ track })
export const valued = (of: Address, value: number): Part => ({ value, of })
export const count = (n: number): Part => ({ count: n })
export const word = (key: string): Part => ({ word: key })

/** An amount, rounded as it is said: to a tenth, or as many digits as are asked for. */
export const amount = (value: number, unit: AmountUnit, digits = 1): Part => ({ amount: value, unit, digits })

/** "at least", "at most", "about" and so on: what a figure should be. */
export const wanted = (how: 'least' | 'most' | 'about' | 'is', value: Part): Saying =>
  say(`wanted.${how}`, { value })
export const between = (low: Part, high: Part): Saying => say('wanted.between', { low, high })
