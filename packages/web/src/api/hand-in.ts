import type { AssignmentView } from '@rudlo/contract/assignments'
import type { QueueEntry, ReviewedHandIn } from '@rudlo/contract/handins'
import type { ReviewView } from '@rudlo/contract/reviews'
import { server, told } from './client'

/** A hand-in on a teacher's desk: there is always a review, if an empty one. */
export interface OpenedHandIn extends ReviewedHandIn {
  readonly review: ReviewView
}

const NO_REVIEW: ReviewView = {
  marks: {},
  comment: '',
  overrules: {},
  revision: 0,
  reviewer: null,
  remarks: [],
}

/** Opens a hand-in as its teacher. @throws ApiError or Unreachable */
export async function openHandIn(id: string): Promise<OpenedHandIn> {
  const view = await told(server['hand-ins'][':handIn'].$get({ param: { handIn: id } }))
  return { ...view, review: view.review ?? NO_REVIEW }
}

/** An assignment of a teacher, and what was handed in for it. @throws ApiError or Unreachable */
export async function openQueue(
  assignment: string,
): Promise<{ readonly given: AssignmentView; readonly queue: readonly QueueEntry[] }> {
  const param = { assignment }
  const [given, queue] = await Promise.all([
    told(server.assignments[':assignment'].$get({ param })),
    told(server.assignments[':assignment']['hand-ins'].$get({ param, query: {} })),
  ])
  return { given, queue }
}
