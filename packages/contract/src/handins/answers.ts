import type { Measurement } from '@rudlo/core/assess'
import type { Assessment } from '@rudlo/core/brief'
import type { Points } from '@rudlo/core/envelope'
import type { WorkDocument } from '@rudlo/core/mix'
import type { Moment } from '../fields'
import type { RemarkView, ReviewView } from '../reviews'
import type { OpenedHint } from '../works'

/**
 * Where a hand-in stands. "Held" is decided, to be given back together with others: known to teachers alone. "Given back" may
 * lie in the future: until then the student is told that it waits.
 */
export const HAND_IN_STATES = ['measuring', 'waiting', 'held', 'given back'] as const
export type HandInState = (typeof HAND_IN_STATES)[number]

export const OUTCOMES = ['accepted', 'again'] as const
export type Outcome = (typeof OUTCOMES)[number]

/** Why a hand-in could not be measured: its audio is damaged or gone, it took too long, or something else failed. */
export type MeasureProblem = 'audio' | 'time' | 'fault'

/** A version as both sides see it, without its review. */
export interface HandInView {
  readonly id: string
  readonly workId: string
  readonly number: number
  readonly state: HandInState
  readonly document: WorkDocument
  readonly measurement: Measurement | null
  readonly assessment: Assessment | null
  /** What the student was going for. */
  readonly said: string
  readonly outcome: Outcome | null
  readonly handedInAt: Moment
  readonly givenBackAt: Moment | null
  /** When the student first opened what came back. */
  readonly openedAt: Moment | null
  /** Why there are no figures, where it could not be measured; told to teachers alone. */
  readonly measureProblem: MeasureProblem | null
}

/** A student's own version, with the review once it came back. */
export interface OwnVersion extends HandInView {
  readonly review: ReviewView | null
}

/** A version by its number. */
export interface VersionOf {
  readonly id: string
  readonly number: number
}

/** A hand-in on the review desk, or as its student opens it. */
export interface ReviewedHandIn extends HandInView {
  readonly assignment: string
  readonly student: string
  readonly before: HandInView | null
  /** All versions of this student, oldest first. */
  readonly versions: readonly VersionOf[]
  readonly hints: readonly OpenedHint[]
  /** Hours by which the first version came late; 0 where it did not. */
  readonly late: number
  /** What was said about the version before, and what was answered; null where there is none that is back. */
  readonly saidBefore: readonly RemarkView[] | null
  /** Null for a student who has it not back yet. */
  readonly review: ReviewView | null
}

/** A hand-in in the queue of an assignment. */
export interface QueueEntry {
  readonly id: string
  readonly number: number
  readonly state: HandInState
  readonly outcome: Outcome | null
  readonly handedInAt: Moment
  readonly givenBackAt: Moment | null
  readonly openedAt: Moment | null
  /** When a teacher first looked at it. */
  readonly seenAt: Moment | null
  readonly student: string
  readonly measureProblem: MeasureProblem | null
  /** Hours by which the first version of its student came late; 0 where it did not. */
  readonly late: number
  /** Whether it is the newest of its student. */
  readonly newest: boolean
  /** Whoever did it together with the student. */
  readonly with: string | null
  /** Students who handed in the same lines and settings. */
  readonly sameAs: readonly string[]
}

/** Somebody who has not handed in an assignment. */
export interface NotHandedIn {
  readonly id: string
  readonly name: string
  /** Whether it was begun. */
  readonly begun: boolean
  /** When it is due for them; null for never. */
  readonly dueAt: Moment | null
}

/** Somebody's line of a lane, as a list of points; null where their mix has no such lane. */
export interface LineOfOne {
  readonly handIn: string
  readonly student: string
  readonly points: Points | null
}

/** Who else looks at a hand-in, and whether there is a newer one. */
export interface LookView {
  readonly other: string | null
  readonly newer: VersionOf | null
}
