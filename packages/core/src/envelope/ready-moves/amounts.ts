import { log } from '../../maths'
import { clamp, decibels, gainDecibels, type Control } from '../../scale'
import type { ReadyMove } from './moves'

/** How far a move goes at first on a control in dB, and on others as a share of the travel. */
const DECIBELS = { lift: 4, dip: 6, build: 6 } as const
const SHARE = { lift: 0.15, dip: 0.2, build: 0.25 } as const
/** Where a send is thrown to, in dB, and a wet, as a share of it. */
const THROWN = { level: 0, share: 0.8 } as const
/** A sweep stops a little before the ends of the travel. */
export const SWEPT = { low: 0.1, high: 0.9 } as const

/** Whether how far a move goes is told in dB up or down; else as the value it goes to. */
export const isRelative = ({ unit }: Control, move: ReadyMove): boolean =>
  move in DECIBELS && (unit === decibels || unit === gainDecibels)

/** Whether somebody can say how far a move goes. */
export const hasAmount = (move: ReadyMove): boolean => !move.startsWith('fade')

/** How far a move goes where nobody said it: dB, or a value of the control. @param start the value the line has before it */
export function usualAmount(control: Control, move: ReadyMove, start: number): number {
  const { scale } = control
  if (isRelative(control, move)) return DECIBELS[move as keyof typeof DECIBELS]
  if (move === 'throw') return scale.kind === 'level' ? THROWN.level : scale.toValue(THROWN.share)
  const travel = scale.toTravel(start)
  if (move === 'sweep' || move === 'to and fro') return scale.toValue(travel > 0.6 ? SWEPT.low : SWEPT.high)
  const by = SHARE[move as keyof typeof SHARE] * (move === 'dip' ? -1 : 1)
  return scale.toValue(clamp(travel + by, 0, 1))
}

/** What raising and lowering is counted in: dB, or per cent of a share, of the way to a side, or of a frequency. */
export const raiseUnit = ({ unit }: Control): 'dB' | '%' =>
  unit === decibels || unit === gainDecibels ? 'dB' : '%'

/** So much higher, as {@link shiftSpan} counts: dB of a level, else a share of the travel. @param amount in {@link raiseUnit} */
export function raiseOf(control: Control, amount: number): number {
  const { kind, min, max } = control.scale
  if (kind === 'level') return amount
  if (kind === 'log') return log(1 + Math.max(-99, amount) / 100) / log(max / min)
  return amount / (raiseUnit(control) === 'dB' ? 1 : 100) / (max - min)
}
