import type { GradeScheme } from '@rudlo/core/grades'
import type { Moment } from '../fields'

/** An assignment in the table of marks. */
export interface GradedAssignment {
  readonly id: string
  readonly title: string
  readonly dueAt: Moment | null
  readonly criteria: readonly { readonly id: string; readonly name: string }[]
  readonly levels: readonly string[]
}

/** A mark that was changed. Levels in words; empty for none. */
export interface ChangedMark {
  readonly criterion: string
  readonly was: string
  readonly became: string
  readonly by: string
  readonly at: Moment
}

/** The marks of one student for one assignment. */
export interface GradeCell {
  readonly assignment: string
  readonly student: string
  /** The newest version; null for none. */
  readonly handIn: string | null
  /** Level (from 0) by criterion. */
  readonly marks: Readonly<Record<string, number>>
  /** 0…1 of what can be reached; null where nothing is marked. */
  readonly share: number | null
  readonly missing: boolean
  readonly late: number
  /** Why it need not be done; null where it must. */
  readonly excused: string | null
  readonly changes: readonly ChangedMark[]
}

/** An overall mark that was given by hand, or taken back. */
export interface OverallByHand {
  /** 0…1; null where it follows the rule again. */
  readonly share: number | null
  readonly reason: string
  readonly by: string
  readonly at: Moment
}

/** The overall mark of a student. */
export interface OverallView {
  readonly student: string
  readonly name: string
  /** By the rule, 0…1; null where nothing counts. */
  readonly rule: number | null
  /** Assignments whose mark was dropped as one of the lowest. */
  readonly dropped: readonly string[]
  /** By hand, the newest first; the first one holds. */
  readonly byHand: readonly OverallByHand[]
}

/** The marks of a class. */
export interface GradesView {
  readonly scheme: GradeScheme
  readonly revision: number
  readonly assignments: readonly GradedAssignment[]
  readonly students: readonly OverallView[]
  readonly cells: readonly GradeCell[]
}
