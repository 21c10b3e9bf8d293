/** The demo scenario: two classes, the assignments of their terms, and work of very different quality. */
import { eveningFerry, lanterns } from '../songs'
import { GROUP, STUDENTS, type StudentName } from './people'
import { MONDAY_GROUP, MONDAY_NOTES, MONDAY_STUDENTS, MONDAY_TERM } from './monday'
import { filterBuild } from './term/filter-build'
import { firstBalance } from './term/first-balance'
import { fades } from './term/fades'
import { makingRoom } from './term/making-room'
import { pan } from './term/pan'
import { sends } from './term/sends'
import type { PlannedAssignment } from './term/assignment'

export * from './people'
export { MONDAY_STUDENTS, MONDAY_TERM } from './monday'
export { at } from './lines'
export { madeOf } from './made'
export type {
  PlannedAssignment,
  PlannedCommand,
  PlannedHandIn,
  PlannedReview,
  PlannedWork,
} from './term/assignment'

/** The songs of the demo. */
export const SONGS = [eveningFerry, lanterns] as const

/** The assignments of the Thursday class, in their order. */
export const TERM: readonly PlannedAssignment[] = [firstBalance, fades, makingRoom, pan, sends, filterBuild]

/** A class with everything of its term. */
export interface PlannedClass {
  readonly group: typeof GROUP | typeof MONDAY_GROUP
  readonly students: readonly { readonly name: string; readonly signIn: StudentName }[]
  readonly term: readonly PlannedAssignment[]
  /** What the teacher notes about students. */
  readonly notes: readonly { readonly student: StudentName; readonly text: string }[]
  /** Who allow their work to be shown to the class, without a name. */
  readonly shares: readonly StudentName[]
}

export const CLASSES: readonly PlannedClass[] = [
  { group: GROUP, students: STUDENTS, term: TERM, notes: [], shares: [] },
  {
    group: MONDAY_GROUP,
    students: MONDAY_STUDENTS,
    term: MONDAY_TERM,
    notes: MONDAY_NOTES,
    shares: ['alma', 'bruno', 'greta', 'hanno', 'kaja', 'mira'],
  },
]
