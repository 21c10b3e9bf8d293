import type { Chosen, Points } from '@rudlo/core/envelope'
import type { Control } from '@rudlo/core/scale'
import type { MeterMap } from '@rudlo/core/time'
import type { ChangeLabel } from '../../document/editing'

/** How far the line changes where a point is set far from others. */
export interface Spread {
  /** In its neighbourhood alone, from there on, or to the points beside it. */
  readonly how: 'near' | 'on' | 'beside'
  /** Ticks in which the line leads there. */
  readonly step: number
  /** A point within so many ticks is beside it. */
  readonly reach: number
}

/** Points that are chosen on another lane, and edited with those that are chosen here. */
export interface Along {
  readonly address: string
  readonly points: Points
  readonly control: Control
  readonly chosen: Chosen
}

/** What becomes of the lines of several lanes, by address. */
export type Lines = ReadonlyMap<string, Points>

/** What the editor of a line needs to know and can do. */
export interface LinePorts {
  points(): Points
  control(): Control
  /** The control's own setting, where a new line starts. */
  setting(): number
  meter(): MeterMap
  songLength(): number
  /** Where a place ends up that is set by hand. */
  snap(tick: number, free: boolean): number
  /** How far the line changes where a point is set far from others; to the points beside it, if that is not said. */
  spread?: (tick: number) => Spread
  /** Name of the lane in labels: "volume of Squeezebox". */
  laneName(): string
  address(): string
  begin(): void
  preview(points: Points): void
  /** Lets `points` catch up with what was previewed. */
  settle(): void
  commit(change: ChangeLabel): void
  cancel(): void
  set(points: Points, change: ChangeLabel): void
  refuse(reason: string): void
  /** Where other lanes lie beside this one, whose points can be chosen with those here. */
  readonly beside?: {
    along(): readonly Along[]
    /** Lets go of what is chosen there. */
    leave(): void
    /** @returns what chooses again what is chosen there now */
    snapshot(): () => void
    /** Chooses all points there too. */
    chooseAll(): void
    preview(lines: Lines): void
    set(lines: Lines, change: ChangeLabel): void
  }
}
