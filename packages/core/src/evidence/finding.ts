import type { Address } from '../mix'
import type { Part, Saying } from '../saying'

export type Verdict = 'met' | 'close' | 'not yet'

/** A figure behind a verdict, for those who want it. */
export interface Figure {
  /** Key of its name. */
  readonly name: string
  readonly value: Part
  /** What is asked; null where nothing is. */
  readonly wanted: Saying | null
}

/** Where something was measured. */
export interface CheckPlace {
  readonly lane: Address | null
  /** Ticks. */
  readonly from: number
  readonly to: number
}

/** What a check found. */
export interface Finding {
  readonly verdict: Verdict
  readonly says: Saying
  readonly place: CheckPlace
  readonly figures: readonly Figure[]
  /** By what it was done, where that was another way than the one that was asked for. */
  readonly way?: readonly Part[]
}
