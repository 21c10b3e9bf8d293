import type { RemarkView } from '@rudlo/contract/reviews'

/** A remark that is pinned to a lane. */
export type PlacedRemark = RemarkView & { readonly lane: string }
export const isPlaced = (remark: RemarkView): remark is PlacedRemark => remark.lane !== null
