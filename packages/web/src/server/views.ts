import type { Measurement } from '@rudlo/core/assess'
import type { Assessment, Brief, StudentBrief, StudentTask } from '@rudlo/core/brief'
import type { Points } from '@rudlo/core/envelope'
import type { Mix, WorkDocument } from '@rudlo/core/mix'
import type { Rubric } from '@rudlo/core/rubric'
import type { SongVersion } from '@rudlo/core/song'

/** What the server sends, as its routes shape it. Dates are ISO texts. */

export type { Rubric, StudentTask as BriefTask }

export interface PersonView {
  readonly id: string
  readonly name: string
  readonly role: 'student' | 'teacher'
  /** Whether the password was given by somebody else: an own one comes first. */
  readonly mustChange?: boolean
  /** In how many classes they are; said once, when somebody is looked up. */
  readonly classes?: number
  /** Whether a teacher was taken out of the last class they taught. */
  readonly isOut?: boolean
}

export interface WhoIsHere {
  readonly person: PersonView | null
  readonly demo: readonly PersonView[]
  readonly needsFirstTeacher: boolean
}

/** "Held" is decided, to be given back together with others; known to teachers alone. */
export type HandInState = 'measuring' | 'waiting' | 'held' | 'given back'
/** Why a hand-in could not be measured: its audio is damaged or gone, it took too long, or something else failed. */
export type MeasureProblem = 'audio' | 'time' | 'fault'
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

/** A group of a teacher, and its own assignment of those that were given together; null where it has none. */
export interface GroupOfAssignment {
  readonly group: string
  readonly name: string
  readonly students: number
  readonly assignment: string | null
  readonly dueAt: string | null
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

export interface ReplyView {
  readonly author: string
  readonly text: string
  readonly createdAt: string
}

export interface RemarkView {
  readonly id: string
  /** Null for a remark on the whole. */
  readonly lane: string | null
  readonly from: number
  readonly to: number
  readonly text: string
  /** The check, move or mistake that it is about; empty for its place alone. */
  readonly subject: string
  /** A suggested line for the lane. */
  readonly suggestion: Points | null
  readonly revision: number
  /** Whether the student has ticked it off. */
  readonly done: boolean
  readonly replies: readonly ReplyView[]
}

/** A remark that is pinned to a lane. */
export type PlacedRemark = RemarkView & { readonly lane: string }
export const isPlaced = (remark: RemarkView): remark is PlacedRemark => remark.lane !== null

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
  /** When the student first opened what came back. */
  readonly openedAt: string | null
  /** Why there are no figures, where it could not be measured; told to teachers alone. */
  readonly measureProblem?: MeasureProblem | null
}

/** A student's own version, with the review once it came back. */
export interface OwnVersion extends HandInView {
  readonly review: ReviewView | null
}

export interface ReviewedHandIn extends HandInView {
  readonly assignment: string
  readonly student: string
  readonly before: HandInView | null
  /** All versions of this student, oldest first. */
  readonly versions: readonly { readonly id: string; readonly number: number }[]
  readonly hints: readonly { readonly task: string; readonly level: number }[]
  readonly review: ReviewView
}

export interface QueueEntry {
  readonly id: string
  readonly number: number
  readonly state: HandInState
  readonly outcome: Outcome | null
  readonly handedInAt: string
  readonly givenBackAt: string | null
  readonly openedAt: string | null
  /** When a teacher first looked at it. */
  readonly seenAt: string | null
  readonly student: string
  readonly measureProblem: MeasureProblem | null
  /** Whether it is the newest of its student. */
  readonly newest: boolean
  /** Whoever did it together with the student. */
  readonly with: string | null
  /** Students who handed in the same lines and settings. */
  readonly sameAs: readonly string[]
}

/** Somebody's line of a lane, as a list of points; null where their mix has no such lane. */
export interface LineOfOne {
  readonly handIn: string
  readonly student: string
  readonly points: Points | null
}

/** Something that happened elsewhere, as the server tells it. */
export interface Happening {
  readonly id: string
  readonly kind:
    | 'handed in'
    | 'measured'
    | 'given back'
    | 'taken back'
    | 'reply'
    | 'remark done'
    | 'help'
    | 'helped'
    | 'point'
    | 'class'
  readonly data: {
    readonly assignment: string
    readonly handIn: string
    /** A place that was pointed at, and whether to this student alone. */
    readonly own?: boolean
    readonly lane?: string | null
    readonly from?: number
    readonly to?: number
  }
}
