import type { WorkDocument } from '@rudlo/core/mix'
import type { Moment } from '../fields'

/** A student's work. */
export interface WorkView {
  readonly id: string
  readonly assignmentId: string
  /** Grows by one at each save. */
  readonly revision: number
  readonly document: WorkDocument
  /** The window that has it. */
  readonly window: string
  /** The name of the newest save. */
  readonly lastSave: string
  readonly updatedAt: Moment
}

/** How a work stands, without what is in it. */
export interface WorkHead {
  readonly revision: number
  readonly window: string
}

export interface TryView {
  readonly id: string
  readonly name: string
  readonly createdAt: Moment
  readonly document: WorkDocument
}

/** A try that was kept. */
export interface TryKept {
  readonly id: string
  readonly name: string
}

/** A hint that was opened. */
export interface OpenedHint {
  readonly task: string
  readonly level: number
}

/** A hint with its words. */
export interface HintView extends OpenedHint {
  readonly text: string
}

/** How often a task was tried. */
export interface TaskTries {
  readonly task: string
  readonly tries: number
}
