/** The demo scenario: an evening class, the assignments of its term, and work of very different quality. */
import { eveningFerry, lanterns } from '../songs'
import { filterBuild } from './term/filter-build'
import { firstBalance } from './term/first-balance'
import { fades } from './term/fades'
import { makingRoom } from './term/making-room'
import { pan } from './term/pan'
import { sends } from './term/sends'
import type { PlannedAssignment } from './term/assignment'

export * from './people'
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

/** The assignments of the term, in their order. */
export const TERM: readonly PlannedAssignment[] = [firstBalance, fades, makingRoom, pan, sends, filterBuild]
