import type { Points } from '@rudlo/core/envelope'
import type { Control } from '@rudlo/core/scale'

/** What a tool that draws a line knows and does. Places are ticks. */
export interface DrawingPorts {
  control(): Control
  /** The line as it is, already begun. */
  points(): Points
  songLength(): number
  /** The play position: keys begin there. */
  here(): number
  begin(): void
  preview(points: Points): void
  /** It is done, from a place to another, with so many samples or cells. */
  commit(from: number, to: number, count: number): void
  cancel(): void
}
