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

/** So many hand-ins are fetched at a time. */
const AT_ONCE = 4

/** Opens hand-ins in the order of their ids, some at a time as they come. @throws ApiError or Unreachable */
export async function* openHandIns(ids: readonly string[]): AsyncGenerator<OpenedHandIn[]> {
  for (let i = 0; i < ids.length; i += AT_ONCE)
    yield await Promise.all(ids.slice(i, i + AT_ONCE).map(openHandIn))
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
