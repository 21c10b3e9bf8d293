import type { Verdict } from '@rudlo/core/evidence'
import type { Address } from '@rudlo/core/mix'
import type {
  CommonMistake,
  MistakeOverTerm,
  NextLesson,
  SmallPictures,
  StandingOfOne,
  Strip,
} from '@rudlo/core/term'
import type { Moment } from '../fields'
import type { Outcome } from '../handins'

/** An assignment in the view of a term. */
export interface TermAssignment {
  readonly id: string
  readonly title: string
  readonly song: string
  readonly dueAt: Moment | null
  readonly opensAt: Moment | null
  readonly tasks: readonly { readonly id: string; readonly title: string; readonly lane: Address | null }[]
  /** The commonest mistakes of its newest hand-ins. */
  readonly mistakes: readonly CommonMistake[]
}

/** One student at one assignment. */
export interface TermCell extends StandingOfOne {
  readonly assignment: string
  readonly student: string
  /** The newest version. */
  readonly handIn: string | null
  readonly number: number
  readonly handedInAt: Moment | null
  /** When something was last done. */
  readonly editedAt: Moment | null
  /** When it is due for this student. */
  readonly dueAt: Moment | null
  /** Whether that is a date of their own. */
  readonly extended: boolean
  /** What the newest version comes to, task by task; empty for none. */
  readonly tasks: readonly (Verdict | null)[]
  readonly hints: number
}

/** A student in the view of a term. */
export interface TermStudent {
  readonly id: string
  readonly name: string
  /** When something was last done at any assignment. */
  readonly lastAt: Moment | null
  /** How much help they need: core `needsHelp`. */
  readonly help: number
}

/** Some students of a class who do something together in the next lesson. */
export interface SmallGroupView {
  readonly id: string
  /** What they do. */
  readonly title: string
  /** Ids. */
  readonly students: readonly string[]
}

/** A class over a term. */
export interface TermView {
  readonly group: { readonly id: string; readonly name: string; readonly place: string }
  /** The server's clock. */
  readonly now: Moment
  /** In the order in which they are due. */
  readonly assignments: readonly TermAssignment[]
  readonly students: readonly TermStudent[]
  /** One for each student and assignment. */
  readonly cells: readonly TermCell[]
  /** The commonest mistakes of the newest hand-ins of the term. */
  readonly mistakes: readonly CommonMistake[]
  /** What could be taught next, the most needed first. */
  readonly next: readonly NextLesson[]
  /** Who does something together in the next lesson. */
  readonly smallGroups: readonly SmallGroupView[]
}

/** What was measured of one task in the newest hand-in of everybody. */
export interface TaskStrips {
  readonly strips: readonly Strip[]
}

/** A mark in words. */
export interface TermMark {
  readonly criterion: string
  readonly name: string
  readonly level: string
  /** 0…1 of what can be reached. */
  readonly share: number
}

/** One assignment of one student over a term. */
export interface StudentTermAssignment extends StandingOfOne {
  readonly assignment: string
  readonly title: string
  readonly song: string
  readonly dueAt: Moment | null
  readonly versions: number
  /** The version that is shown: the newest; for students the newest that is back. */
  readonly handIn: string | null
  readonly number: number
  readonly handedInAt: Moment | null
  /** The best of the versions that may be looked at: core `bestVersion`; null for none. */
  readonly best: { readonly handIn: string; readonly number: number } | null
  readonly outcome: Outcome | null
  readonly tasks: readonly { readonly id: string; readonly title: string; readonly verdict: Verdict | null }[]
  readonly marks: readonly TermMark[]
  readonly comment: string
  readonly remarks: number
  readonly hints: number
  /** Minutes in which something was done. */
  readonly minutes: number
  readonly pictures: SmallPictures
}

/** One student over a term. */
export interface StudentTerm {
  readonly student: { readonly id: string; readonly name: string }
  readonly group: { readonly id: string; readonly name: string; readonly place: string }
  readonly now: Moment
  readonly assignments: readonly StudentTermAssignment[]
  /** Those that stay first, then those that went. */
  readonly mistakes: readonly MistakeOverTerm[]
  /** Minutes at work week by week, from the first day of the first. */
  readonly weeks: { readonly from: Moment; readonly minutes: readonly number[] }
  /** Whether the student allows the own work to be shown to the class, without a name. */
  readonly shares: boolean
  /** Told to teachers alone. */
  readonly notes: StudentNotes | null
}

/** One of the best hand-ins by a criterion, to be shown to the class without a name. */
export interface BestHandIn {
  readonly handIn: string
  /** Level (from 0). */
  readonly level: number
}

/** What teachers note about a student. */
export interface StudentNotes {
  readonly text: string
  readonly revision: number
  readonly author: string | null
  readonly updatedAt: Moment | null
}

/** A hand-in that waits to be heard. */
export interface WaitingHandIn {
  readonly handIn: string
  readonly number: number
  readonly student: string
  readonly assignment: string
  readonly title: string
  readonly group: string
  readonly handedInAt: Moment
  /** Hours by which the first version came late. */
  readonly late: number
  /** Nobody has looked at it yet. */
  readonly isNew: boolean
}

/** Somebody by id and name. */
export interface Named {
  readonly id: string
  readonly name: string
}

/** An assignment that is due soon, or was a short while ago. */
export interface DueAssignment {
  readonly assignment: string
  readonly title: string
  readonly group: string
  readonly dueAt: Moment
  readonly students: number
  readonly handedIn: number
  /** Who has not begun. */
  readonly notBegun: readonly Named[]
  /** Who began and stopped. */
  readonly stopped: readonly Named[]
  /** Who is past the date without a version. */
  readonly missing: readonly Named[]
}

/** Somebody who wants help at a bench now. */
export interface HandUp {
  readonly student: Named
  readonly group: string
  readonly assignment: string
  readonly title: string
  readonly since: Moment
}

/** A class on a teacher's first page. */
export interface TodayGroup {
  readonly id: string
  readonly name: string
  readonly place: string
  readonly students: number
  /** How many ask to join. */
  readonly requests: number
  /** When the class has its lesson; null where nobody said. Day 0 is Sunday, time as "18:30". */
  readonly lesson: { readonly day: number; readonly time: string } | null
  /** What most have not got yet; null where nothing stands out. */
  readonly next: NextLesson | null
  readonly smallGroups: readonly { readonly title: string; readonly students: readonly Named[] }[]
}

/** A teacher's first page. */
export interface TodayView {
  readonly now: Moment
  readonly groups: readonly TodayGroup[]
  /** Oldest first. */
  readonly waiting: readonly WaitingHandIn[]
  /** What is due within a week, or was within the last one; by date. */
  readonly due: readonly DueAssignment[]
  readonly hands: readonly HandUp[]
}
