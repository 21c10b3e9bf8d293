import type { WorkDocument } from '@rudlo/core/mix'

const KEPT = 400

/** A work as it was saved last, as far as a save needs it. */
export interface KnownWork {
  readonly personId: string
  readonly revision: number
  readonly songVersionId: string
  readonly document: WorkDocument
  /** How long it is as text. */
  readonly length: number
}

/**
 * Works by id, newest use last. A revision names its content for ever, so several servers may each keep their
 * own: what is known is used only where the database agrees that its revision is the newest.
 */
export class DocumentCache {
  readonly #kept = new Map<string, KnownWork>()

  get(workId: string): KnownWork | undefined {
    return this.#kept.get(workId)
  }

  set(workId: string, work: KnownWork): void {
    this.#kept.delete(workId)
    this.#kept.set(workId, work)
    if (this.#kept.size > KEPT) this.#kept.delete(this.#kept.keys().next().value!)
  }
}
