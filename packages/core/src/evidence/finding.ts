import type { Address } from '../mix'

export type Verdict = 'met' | 'close' | 'not yet'

/** A figure behind a verdict, for those who want it. */
export interface Figure {
  readonly name: string
  readonly value: string
  /** What is asked; empty where nothing is. */
  readonly wanted: string
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
  /** One sentence about what was measured, for a beginner. */
  readonly sentence: string
  readonly place: CheckPlace
  readonly figures: readonly Figure[]
  /** By what it was done, where that was another way than the one that was asked for. */
  readonly way?: readonly string[]
}
