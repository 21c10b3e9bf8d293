import type { WorkDocument } from '@rudlo/core/mix'

/** One thing that was done, as it is listed and undone. */
export interface Step {
  readonly label: string
  readonly lanes: readonly string[]
  /** Ticks. */
  readonly from: number
  readonly to: number
  readonly before: WorkDocument
  readonly after: WorkDocument
}

/** What was done and what was undone. Immutable: every change is a new history. */
export interface History {
  readonly done: readonly Step[]
  readonly undone: readonly Step[]
}

export const EMPTY_HISTORY: History = { done: [], undone: [] }
const LONGEST = 500

export function did(history: History, step: Step): History {
  return { done: [...history.done, step].slice(-LONGEST), undone: [] }
}

export function undo({ done, undone }: History): { history: History; step: Step } | null {
  const step = done.at(-1)
  return step ? { step, history: { done: done.slice(0, -1), undone: [...undone, step] } } : null
}

export function redo({ done, undone }: History): { history: History; step: Step } | null {
  const step = undone.at(-1)
  return step ? { step, history: { done: [...done, step], undone: undone.slice(0, -1) } } : null
}
