import { words } from '@rudlo/words'
import type { Control } from '../../scale'
import { EditRefused } from '../edit'
import type { Point, Points } from '../envelope'
import type { MoveForm, MovePlace } from './moves'

/** What a move is made from. */
export interface Making {
  readonly points: Points
  readonly control: Control
  readonly place: MovePlace
  /** The value the line has at the beginning of the span, and at its end. */
  readonly start: number
  readonly end: number
  /** How far it goes: see {@link MoveWish}. */
  readonly amount: number
  readonly turns: number
  /** A point from which the line goes on as it was asked, or as is usual. */
  leads(tick: number, value: number, usual?: MoveForm): Point
}

/** @throws EditRefused where a move would leave the line as it is */
export function unlessThere(there: boolean, text: string): void {
  if (there) throw new EditRefused(words('refused.there-already', { value: text }))
}
