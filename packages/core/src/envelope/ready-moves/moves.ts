import type { Control } from '../../scale'
import type { Form } from '../envelope'
import type { LineSpan } from '../span-edits'

/** The moves that can be made over a span of one line in one action. */
export const READY_MOVES = [
  'fade in',
  'fade out',
  'lift',
  'dip',
  'build',
  'throw',
  'sweep',
  'to and fro',
] as const
export type ReadyMove = (typeof READY_MOVES)[number]

/** Whether a move makes sense for a control. */
export function suits(move: ReadyMove, { scale, family }: Pick<Control, 'scale' | 'family'>): boolean {
  if (scale.kind === 'switch') return false
  if (move === 'throw') return family === 'send' || (family === 'effect' && scale.max === 1)
  if (move === 'sweep' || move === 'to and fro') return family === 'pan' || scale.kind === 'log'
  if (family === 'pan') return false
  return move === 'fade in' || move === 'fade out' ? family === 'volume' && scale.kind === 'level' : true
}

/** How a move gets from its one end to the other. */
export interface MoveForm {
  readonly form: Form
  readonly bend: number
}

/** Where a move is made. All places are ticks. */
export interface MovePlace {
  readonly span: LineSpan
  /** Of a beat there. */
  readonly beat: number
  /** Of the whole song: nothing lies after it. */
  readonly length: number
  /** How long the way there takes, and the way back: see {@link leadOf}. */
  readonly lead: number
  /** Where sounds begin on the track, in rising order; none where that is not known. */
  readonly onsets?: readonly number[]
  /** Whether the next part begins where the span ends: what was built up arrives with it, and stays. */
  readonly arrives?: boolean
  /** How long what is heard before a fade in is let go; as long as the way there, if missing. */
  readonly letGo?: number
}

/** What a person wants of a move; what is left open is as usual. */
export interface MoveWish {
  /** How far it goes: dB up or down for a control in dB, else the value that it goes to, in the control's own unit. */
  readonly amount?: number
  /** How often it turns round: to and fro alone. */
  readonly turns?: number
  readonly way?: MoveForm | undefined
}
