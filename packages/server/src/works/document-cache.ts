import type { WorkDocument } from '@rudlo/core/mix'
import { LRUCache } from 'lru-cache'

/** A work as it was saved last, as far as a save needs it. */
export interface KnownWork {
  readonly personId: string
  readonly revision: number
  readonly songVersionId: string
  readonly document: WorkDocument
  /** How long it is as text, at most. */
  readonly length: number
  /** Whether it passed the check here: then only what changes is checked. */
  readonly isChecked: boolean
  /** What was saved since it was written as a whole. */
  readonly patches: { readonly count: number; readonly bytes: number }
}

/** So much of works is kept in memory, counted by their texts. */
const KEPT_BYTES = 128 * 1024 * 1024

/**
 * Works by id. A revision names its content for ever, so several servers may each keep their own: what is known is used only
 * where the database agrees that its revision is the newest.
 */
export const documentCache = (): LRUCache<string, KnownWork> =>
  new LRUCache({ max: 400, maxSize: KEPT_BYTES, sizeCalculation: ({ length }) => Math.max(1, length) })
