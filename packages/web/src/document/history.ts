import type { Way } from '@rudlo/contract/works'
import { patchBetween, withPatch, type Patch, type WorkDocument } from '@rudlo/core/mix'

/** One thing that was done, as it is listed and undone. */
export interface Step {
  readonly label: string
  readonly lanes: readonly string[]
  /** Ticks. */
  readonly from: number
  readonly to: number
  /** By hand if not given, else by which way of writing in a pass. */
  readonly how?: Way
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

/** A step as it is kept in the browser: what leads back and forth instead of whole documents. */
export interface KeptStep {
  readonly label: string
  readonly lanes: readonly string[]
  readonly from: number
  readonly to: number
  readonly how?: Way
  readonly back: Patch
}

/** So many steps outlive a reload. */
const KEPT = 100
const packed = new WeakMap<Step, KeptStep>()

/** The newest steps that were done, small enough to be written with every save. */
export function packHistory({ done }: History): KeptStep[] {
  return done.slice(-KEPT).map((step) => {
    const known = packed.get(step)
    if (known) return known
    const { label, lanes, from, to, how, before, after } = step
    const kept = {
      label,
      lanes: [...lanes],
      from,
      to,
      ...(how ? { how } : {}),
      back: patchBetween(after, before),
    }
    packed.set(step, kept)
    return kept
  })
}

/** The history that led to a document; an empty one where what was kept does not belong to it. */
export function unpackHistory(document: WorkDocument, kept: readonly KeptStep[]): History {
  const done: Step[] = []
  let after = document
  try {
    for (const { back, ...step } of [...kept].reverse()) {
      const before = withPatch(after, back)
      done.unshift({ ...step, before, after })
      after = before
    }
  } catch {
    return EMPTY_HISTORY
  }
  return { done, undone: [] }
}
