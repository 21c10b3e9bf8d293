import type { Measurement } from '@rudlo/core/assess'
import type { Assessment, Brief, StudentBrief, StudentTask } from '@rudlo/core/brief'
import type { Mix, WorkDocument } from '@rudlo/core/mix'
import type { SongVersion } from '@rudlo/core/song'

/** What the server sends, as its routes shape it. Dates are ISO texts. */

export type { StudentTask as BriefTask }

export interface PersonView {
  readonly id: string
  readonly name: string
  readonly role: 'student' | 'teacher'
}

export interface WhoIsHere {
  readonly person: PersonView | null
  readonly demo: readonly PersonView[]
  readonly needsFirstTeacher: boolean
}

export type HandInState = 'measuring' | 'waiting' | 'given back'
export type Outcome = 'accepted' | 'again'

export interface AssignmentCard {
  readonly id: string
  readonly title: string
  readonly purpose: string
  readonly tasks: readonly string[]
  readonly song: string
  readonly group: string
  readonly place: string
  readonly dueAt: string | null
  readonly opensAt: string | null
  readonly mine?: {
    readonly begun: boolean
    readonly handIn: {
      readonly id: string
      readonly number: number
      readonly state: HandInState
      readonly outcome: Outcome | null
    } | null
    readonly changedSince: boolean
  }
  readonly counts?: { readonly students: number; readonly waiting: number; readonly givenBack: number }
}

export interface Rubric {
  readonly levels: readonly string[]
  readonly criteria: readonly { readonly id: string; readonly name: string; readonly about: string }[]
}

export interface AssignmentView extends AssignmentCard {
  /** As the person may know it: a teacher gets the hints' words, a student their number. */
  readonly brief: StudentBrief
  readonly rubric: Rubric
  readonly startingMix: Mix
  readonly songVersion: string
  readonly songDocument: SongVersion
  readonly handInLimit: number | null
  /** Whether there is a model that this person may hear. */
  readonly hasModel: boolean
  readonly settings?: AssignmentSettings
}

/** What only the teacher sets and sees. */
export interface AssignmentSettings {
  readonly revision: number
  readonly modelHeard: 'never' | 'handed in' | 'given back'
  readonly opensAt: string | null
  readonly dueAt: string | null
  readonly handInLimit: number | null
  readonly group: string
}

/** An assignment as its teacher gets it. */
export interface WrittenAssignment extends Omit<AssignmentView, 'brief' | 'settings'> {
  readonly brief: Brief
  readonly settings: AssignmentSettings
}

export interface WorkView {
  readonly id: string
  readonly assignmentId: string
  readonly revision: number
  readonly document: WorkDocument
  readonly window: string
  readonly lastSave: string
}

export interface TryView {
  readonly id: string
  readonly name: string
  readonly createdAt: string
  readonly document: WorkDocument
}

export interface RemarkView {
  readonly id: string
  readonly lane: string
  readonly from: number
  readonly to: number
  readonly text: string
}

export interface ReviewView {
  readonly marks: Readonly<Record<string, number>>
  readonly comment: string
  readonly revision: number
  readonly reviewer: string | null
  readonly remarks: readonly RemarkView[]
}

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
  readonly handedInAt: string
  readonly givenBackAt: string | null
}

/** A student's own version, with the review once it came back. */
export interface OwnVersion extends HandInView {
  readonly review: ReviewView | null
}

export interface ReviewedHandIn extends HandInView {
  readonly assignment: string
  readonly student: string
  readonly before: HandInView | null
  readonly hints: readonly { readonly task: string; readonly level: number }[]
  readonly review: ReviewView
}

export interface QueueEntry {
  readonly id: string
  readonly number: number
  readonly state: HandInState
  readonly outcome: Outcome | null
  readonly handedInAt: string
  readonly student: string
  /** 1 for the newest of its student. */
  readonly newest: 0 | 1 | '0' | '1'
}
