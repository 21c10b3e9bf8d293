import type { Address } from '../mix'

/** What a move is called. A rhythm goes to and fro in time, at least three times and a half. */
export const MOVE_KINDS = [
  'fade in',
  'fade out',
  'throw',
  'sweep',
  'build',
  'lift',
  'dip',
  'drop',
  'jump up',
  'jump down',
  'rise',
  'fall',
  'rhythm',
] as const
export type MoveKind = (typeof MOVE_KINDS)[number]

/** How a move takes its way: evenly in travel, mostly at its start, mostly at its end, or all at once. */
export type MoveForm = 'even' | 'early' | 'late' | 'sudden'

/** One recognisable event in an envelope, measured. */
export interface Move {
  readonly kind: MoveKind
  readonly lane: Address
  /** Ticks. */
  readonly start: number
  readonly end: number
  /** When it reaches the value it goes to: the end of its first part. */
  readonly arrival: number
  /** When it starts back, for a dip or lift; otherwise its end. */
  readonly leaves: number
  /** Values in the control's unit: before, at its goal, after. */
  readonly from: number
  readonly goal: number
  readonly to: number
  /** Goal minus before, in the control's unit. */
  readonly depth: number
  readonly bars: number
  readonly seconds: number
  readonly form: MoveForm
  /** Largest distance from a straight way, as a share of the way, 0…1. */
  readonly unevenness: number
  /** Steepest change, in the control's unit a second. */
  readonly steepest: number
  /** Whether it begins (fade in) or ends (fade out) in true silence. */
  readonly silent: boolean
  /** In how many steps it gets there: 1 where it goes in one way. */
  readonly steps: number
  /** Its longest rest on the way, in seconds. */
  readonly rest: number
  /** How far it goes past its goal before it settles there, in the control's unit. */
  readonly overshoot: number
  /** How far it goes backwards on its way in all, as a share of its depth, 0…1. */
  readonly unsteadiness: number
}
