import type { Scale } from '../scale'

/** How the line runs from a point to the next. */
export const FORMS = ['straight', 'curve', 's', 'jump'] as const
export type Form = (typeof FORMS)[number]

/** The strongest bend of a curve or an S. */
export const MAX_BEND = 8

/** One point of an envelope. Points are sorted by tick, no two on the same tick. */
export interface Point {
  readonly tick: number
  /** In the control's own unit. */
  readonly value: number
  readonly form: Form
  /** c of a curve, −8 (early) to 8 (late), or the steepness of an S, 0 to 8; 0 otherwise. */
  readonly bend: number
}

/** The points of a line; sorted, ticks strictly rising. */
export type Points = readonly Point[]

/** A line drawn along the song for one control. */
export interface Envelope {
  readonly id: string
  /** Which control: see `mix/address`. */
  readonly address: string
  readonly on: boolean
  /** Whether it may be changed, by hand or by a pass. */
  readonly open: boolean
  readonly points: Points
}

/** How a line goes on where nothing else is wanted: straight; of a switch, which never stands between, by a jump. */
export const plainForm = (scale: Scale): Form => (scale.kind === 'switch' ? 'jump' : 'straight')

/** A point with a straight span after it. */
export function point(tick: number, value: number, form: Form = 'straight', bend = 0): Point {
  return { tick, value, form, bend }
}
