import type { Mix } from '@rudlo/core/mix'
import type { Moment } from '../fields'

/** A student of a class during a lesson; all null where the bench was never heard of. */
export interface InLesson {
  readonly id: string
  readonly name: string
  readonly assignment: string | null
  readonly task: string | null
  /** When the bench was last heard of. */
  readonly seenAt: Moment | null
  /** When something was last done there. */
  readonly actedAt: Moment | null
  /** Since when help is wanted. */
  readonly helpAt: Moment | null
  /** Whether the own line may be shown to the class. */
  readonly shows: boolean
}

export interface LessonView {
  /** The server's clock. */
  readonly now: Moment
  readonly students: readonly InLesson[]
}

/** A work that is looked at. */
export interface LiveWorkView {
  readonly revision: number
  /** Null where it is the one that is known. */
  readonly mix: Mix | null
}
