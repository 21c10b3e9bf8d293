import type { Moment } from '../fields'

/** What can be removed, and had back for a while. */
export const REMOVABLE = ['assignment', 'class', 'song'] as const
export type Removable = (typeof REMOVABLE)[number]

/** Something that was removed. */
export interface RemovedView {
  readonly kind: Removable
  readonly id: string
  readonly title: string
  readonly removedAt: Moment
  /** Until when it can be had back. */
  readonly until: Moment
}

/** What hangs on something that is to be removed. */
export interface Hanging {
  readonly students: number
  readonly assignments: number
  readonly works: number
  readonly handIns: number
  readonly remarks: number
}
