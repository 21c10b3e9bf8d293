import type { Overrules } from '@rudlo/core/brief'
import type { Points } from '@rudlo/core/envelope'
import type { Moment } from '../fields'

export interface ReplyView {
  readonly author: string
  readonly text: string
  readonly createdAt: Moment
}

/** A recording that belongs to a remark. */
export interface SpokenView {
  /** How long it is, in ms. */
  readonly ms: number
  /** How loud it is from beginning to end, in equal parts: 0…100 each. */
  readonly wave: readonly number[]
}

/** A remark as both sides see it. */
export interface RemarkView {
  readonly id: string
  /** Null for a remark on the whole. */
  readonly lane: string | null
  /** Its place, in ticks. */
  readonly from: number
  readonly to: number
  readonly text: string
  /** The check, move or mistake that it is about; empty for its place alone. */
  readonly subject: string
  /** A suggested line for the lane. */
  readonly suggestion: Points | null
  /** What is spoken; null for a remark that is only written. */
  readonly spoken: SpokenView | null
  readonly revision: number
  /** Whether the student has ticked it off. */
  readonly done: boolean
  readonly createdAt: Moment
  readonly replies: readonly ReplyView[]
}

/** How often each check of an assignment was overruled, by its id; those that never were are missing. */
export interface OverruledChecks {
  readonly checks: Readonly<Record<string, number>>
}

/** Marks, comment and remarks of a hand-in. */
export interface ReviewView {
  /** Level (from 0) by criterion. */
  readonly marks: Readonly<Record<string, number>>
  readonly comment: string
  /** The teacher's word against verdicts, mistakes and proposed marks. */
  readonly overrules: Overrules
  readonly revision: number
  readonly reviewer: string | null
  readonly remarks: readonly RemarkView[]
}

export type { BankRemark } from '@rudlo/core/remarks'
