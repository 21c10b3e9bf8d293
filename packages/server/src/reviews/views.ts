import type { RemarkView, ReplyView, ReviewView } from '@rudlo/contract/reviews'
import type { Points } from '@rudlo/core/envelope'
import { isObject, listOf, readKept, readMarks, readOverrules } from '@rudlo/core/stored'
import { textOf } from '../http/moment'
import type { BankRemarkRow, Remark, Reply, Review, Spoken } from './entities'

/** A line was checked against its lane before it was kept: that it is a list of points is all there is to look at. */
const isLine = (value: unknown): value is Points => listOf(isObject)(value)

/** A remark as both sides see it. */
export const remarkView = (
  { id, lane, fromTick, toTick, text, subject, suggestion, revision, doneAt, createdAt }: Remark,
  replies: readonly ReplyView[] = [],
  spoken?: Pick<Spoken, 'ms' | 'wave'>,
): RemarkView => ({
  id,
  lane,
  from: fromTick,
  to: toTick,
  text,
  subject,
  suggestion: suggestion === null ? null : readKept(suggestion, isLine, 'a suggested line'),
  spoken: spoken ? { ms: spoken.ms, wave: [...spoken.wave] } : null,
  revision,
  done: doneAt !== null,
  createdAt: textOf(createdAt),
  replies,
})

export const replyView = (
  { text, createdAt }: Pick<Reply, 'text' | 'createdAt'>,
  author: string,
): ReplyView => ({
  author,
  text,
  createdAt: textOf(createdAt),
})

/** @param nameOf gives the name of a person by id */
export const reviewView = (
  review: Review | null,
  remarks: readonly Remark[],
  replies: readonly Reply[],
  spoken: readonly Pick<Spoken, 'remarkId' | 'ms' | 'wave'>[],
  nameOf: (id: string) => string,
): ReviewView => ({
  marks: review ? readMarks(review.marks) : {},
  comment: review?.comment ?? '',
  overrules: readOverrules(review?.overrules ?? null),
  revision: review?.revision ?? 0,
  reviewer: review ? nameOf(review.reviewerId) : null,
  remarks: remarks.map((remark) =>
    remarkView(
      remark,
      replies.filter((r) => r.remarkId === remark.id).map((r) => replyView(r, nameOf(r.authorId))),
      spoken.find((s) => s.remarkId === remark.id),
    ),
  ),
})

export const bankView = ({ id, text, mistake }: BankRemarkRow) => ({ id, text, mistake })
