import type { Brief, JudgedTask, StudentBrief } from '@rudlo/core/brief'
import type { Mix } from '@rudlo/core/mix'
import type { Rubric } from '@rudlo/core/rubric'
import type { SongVersion } from '@rudlo/core/song'
import type { Moment } from '../fields'
import type { HandInState, Outcome } from '../handins'

/** From when on a student may hear the model. */
export const MODEL_HEARD = ['never', 'handed in', 'given back'] as const
export type ModelHeard = (typeof MODEL_HEARD)[number]

/** How far a student is. */
export interface Standing {
  readonly begun: boolean
  /** The newest version that was handed in. */
  readonly handIn: {
    readonly id: string
    readonly number: number
    readonly state: HandInState
    readonly outcome: Outcome | null
  } | null
  /** Whether the work has moved on since. */
  readonly changedSince: boolean
  /** Whether the due date is one of their own. */
  readonly extended: boolean
}

/** How far a group is: the newest hand-in of each student counts. */
export interface GroupStanding {
  readonly students: number
  readonly waiting: number
  /** Decided, and not given back yet. */
  readonly held: number
  readonly givenBack: number
}

/** An assignment in a list. */
export interface AssignmentCard {
  readonly id: string
  readonly title: string
  readonly purpose: string
  readonly tasks: readonly string[]
  readonly song: string
  readonly group: string
  readonly place: string
  readonly dueAt: Moment | null
  readonly opensAt: Moment | null
  /** Whether it is still written: told to teachers alone. */
  readonly draft: boolean
  /** For a student. */
  readonly mine?: Standing
  /** For a teacher. */
  readonly counts?: GroupStanding
}

/** What only the teacher sets and sees. */
export interface SettingsView {
  readonly revision: number
  readonly modelHeard: ModelHeard
  readonly draft: boolean
  readonly opensAt: Moment | null
  readonly dueAt: Moment | null
  readonly handInLimit: number | null
  readonly group: string
}

/** What both sides get of an assignment. */
interface GivenAssignment extends AssignmentCard {
  readonly rubric: Rubric
  readonly startingMix: Mix
  readonly songVersion: string
  readonly songDocument: SongVersion
  readonly handInLimit: number | null
  /** Whether there is a model that this person may hear. */
  readonly hasModel: boolean
}

/** An assignment as a student gets it: of hints their number, of checks and model what may be known. */
export interface StudentAssignment extends GivenAssignment {
  /** For teachers alone: by this the two are told apart. */
  readonly settings?: undefined
  readonly brief: StudentBrief
}

/** An assignment as its teacher gets it. */
export interface WrittenAssignment extends GivenAssignment {
  readonly brief: Brief
  readonly settings: SettingsView
}

/** As the person who asks may know it. */
export type AssignmentView = StudentAssignment | WrittenAssignment

export interface ModelView {
  readonly mix: Mix
}

/** A change that was kept, and how many other groups got it. */
export interface ChangeKept {
  readonly revision: number
  readonly others: number
}

/** What a trial of a brief says of the starting mix, the model and the newest hand-ins. */
export interface TrialView {
  readonly start: readonly JudgedTask[]
  readonly model: readonly JudgedTask[] | null
  readonly handIns: readonly {
    readonly student: string
    /** As it was judged; null where it was not. */
    readonly before: readonly JudgedTask[] | null
    readonly after: readonly JudgedTask[]
  }[]
}

/** A student, and what was made different for them. */
export interface ExceptionView {
  readonly id: string
  readonly name: string
  readonly dueAt: Moment | null
  readonly brief: Brief | null
}

/** A group of a teacher, and its own assignment of those that were given together. */
export interface GroupOfAssignment {
  readonly group: string
  readonly name: string
  readonly students: number
  /** Null where it has none yet. */
  readonly assignment: string | null
  readonly dueAt: Moment | null
}
