import { clamp } from '@rudlo/core/scale'

/** The stretch of the song that is in view, in ticks. */
export interface Span {
  readonly from: number
  readonly to: number
}

/** Room left of the first tick and right of the last, in px: the first and last point stay whole, values have a gutter. */
const LEFT = 14
export const GUTTER = 60

/** Room above full travel and below none, in px, so that points at the ends can be taken. */
const MARGIN = 16
/** The closest zoom: a quarter across the desk. */
const CLOSEST = 960

/** Turns ticks and travel into px of a lane and back. */
export class Viewport {
  constructor(
    readonly span: Span,
    readonly width: number,
    readonly height: number,
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

  y(travel: number): number {
    return MARGIN + (1 - travel) * (this.height - 2 * MARGIN)
  }

  travel(y: number): number {
    return clamp(1 - (y - MARGIN) / (this.height - 2 * MARGIN), 0, 1)
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
