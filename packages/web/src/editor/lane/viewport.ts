import { clamp } from '@rudlo/core/scale'

/** The stretch of the song that is in view, in ticks. */
export interface Span {
  readonly from: number
  readonly to: number
}

/** The stretch of a control's travel that is in view. */
export interface Values {
  readonly low: number
  readonly high: number
}

/** A stretch of the width, in px. */
export interface Stretch {
  readonly left: number
  readonly right: number
}

/** A part of a lane, in px. */
export interface Area extends Stretch {
  readonly top: number
  readonly bottom: number
}

export const ALL_VALUES: Values = { low: 0, high: 1 }
/** The closest that values can be seen: a twentieth of the travel from top to bottom. */
const CLOSEST_VALUES = 0.05

/** Zooms the values by `factor` (above 1: closer) about a travel that stays where it is. */
export function zoomValues({ low, high }: Values, travel: number, factor: number): Values {
  const size = clamp((high - low) / factor, CLOSEST_VALUES, 1)
  const share = (travel - low) / (high - low)
  const start = clamp(travel - share * size, 0, 1 - size)
  return { low: start, high: start + size }
}

/** Room left of the first tick and right of the last, in px: the first and last point stay whole, values have a gutter. */
export const LEFT = 14
export const GUTTER = 60

/** Room above full travel and below none, in px, so that points at the ends can be taken. */
const MARGIN = 16
/** For what a finger takes hold of above the line, on a lane that is high enough; it is no longer there on a lower one. */
export const FINGER_ROOM = { top: 46, height: 180 } as const
/** The closest zoom: a quarter across the desk. */
const CLOSEST = 960

/** Turns ticks and travel into px of a lane and back. */
export class Viewport {
  constructor(
    readonly span: Span,
    readonly width: number,
    readonly height: number,
    /** The travel that is in view. */
    readonly values: Values = ALL_VALUES,
    /** What of it is drawn; all of it if not given. */
    private readonly drawn: Area | null = null,
    /** Room above full travel, in px. */
    readonly top: number = MARGIN,
  ) {}

  x(tick: number): number {
    return LEFT + ((tick - this.span.from) / (this.span.to - this.span.from)) * (this.width - LEFT - GUTTER)
  }

  tick(x: number): number {
    return this.span.from + ((x - LEFT) / (this.width - LEFT - GUTTER)) * (this.span.to - this.span.from)
  }

  /** What the whole width shows, the room at both sides included. */
  get shown(): Span {
    return { from: this.tick(0), to: this.tick(this.width) }
  }

  /** What of the height is to be drawn, in px. */
  get rows(): Pick<Area, 'top' | 'bottom'> {
    return this.drawn ?? { top: 0, bottom: this.height }
  }

  /** What of it is to be drawn. */
  get part(): Span {
    return this.drawn ? { from: this.tick(this.drawn.left), to: this.tick(this.drawn.right) } : this.shown
  }

  /** The same, to draw a part of it again. */
  within(area: Area): Viewport {
    return new Viewport(this.span, this.width, this.height, this.values, area, this.top)
  }

  y(travel: number): number {
    const { low, high } = this.values
    return this.top + ((high - travel) / (high - low)) * (this.height - this.top - MARGIN)
  }

  travel(y: number): number {
    const { low, high } = this.values
    return clamp(high - ((y - this.top) / (this.height - this.top - MARGIN)) * (high - low), 0, 1)
  }
}

/** Keeps a span inside a song of `length` ticks, as long as it was where that is possible. */
export function insideSong({ from, to }: Span, length: number): Span {
  const size = clamp(to - from, Math.min(CLOSEST, length), length)
  const start = clamp(from, 0, length - size)
  return { from: start, to: start + size }
}

/** Zooms by `factor` (above 1: closer) about a tick that stays where it is. */
export function zoomAbout({ from, to }: Span, tick: number, factor: number, length: number): Span {
  const size = clamp((to - from) / factor, Math.min(CLOSEST, length), length)
  const share = (tick - from) / (to - from)
  return insideSong({ from: tick - share * size, to: tick + (1 - share) * size }, length)
}

/** A stretch of the song as a box over a lane, cut off at its sides. */
export function stretchIn(view: Viewport, { from, to }: Span): { left: string; width: string } {
  const left = Math.max(0, view.x(from))
  return { left: `${left}px`, width: `${Math.max(0, Math.min(view.width, view.x(to)) - left)}px` }
}
