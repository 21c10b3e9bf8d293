import type { WorkDocument } from '@rudlo/core/mix'
import { In, type DataSource } from 'typeorm'
import { Person, type Role } from '../people/person.entity'
import { Remark, Reply, Review } from '../reviews/review.entity'
import { isBack, stateFor, type HandIn } from './hand-in.entity'

/** A remark as both sides see it. */
export function remarkView(
  { id, lane, fromTick, toTick, text, subject, suggestion, revision, doneAt, createdAt }: Remark,
  replies: readonly { readonly author: string; readonly text: string; readonly createdAt: Date }[] = [],
) {
  return {
    id,
    lane,
    from: fromTick,
    to: toTick,
    text,
    subject,
    suggestion: suggestion === null ? null : (JSON.parse(suggestion) as unknown),
    revision,
    done: doneAt !== null,
    createdAt,
    replies,
  }
}

/** A hand-in without its review: always visible to both sides. */
export function handInView(handIn: HandIn, reader: Role) {
  const { id, workId, number, document, measurement, assessment, said, handedInAt } = handIn
  const back = reader === 'teacher' || isBack(handIn)
  return {
    id,
    workId,
    number,
    state: stateFor(reader, handIn),
    // listening notes are the student's own, to self: they go no further
    document: { ...(JSON.parse(document) as WorkDocument), notes: [] },
    measurement: measurement === null ? null : (JSON.parse(measurement) as unknown),
    assessment: assessment === null ? null : (JSON.parse(assessment) as unknown),
    said,
    outcome: back && handIn.state !== 'waiting' ? handIn.outcome : null,
    handedInAt,
    givenBackAt: back ? handIn.givenBackAt : null,
    openedAt: back ? handIn.openedAt : null,
    // why there are no figures; for the teacher, who can have it measured again
    measureProblem: reader === 'teacher' ? handIn.measureProblem : null,
  }
}

/** Marks, comment and remarks. A student sees them only once the hand-in was given back. */
export async function reviewView(database: DataSource, handIn: HandIn, reader: Role) {
  if (reader === 'student' && !isBack(handIn)) return null
  const review = await database.getRepository(Review).findOneBy({ handInId: handIn.id })
  const remarks = await database
    .getRepository(Remark)
    .find({ where: { handInId: handIn.id }, order: { fromTick: 'ASC', createdAt: 'ASC' } })
  const replies = remarks.length
    ? await database
        .getRepository(Reply)
        .find({ where: { remarkId: In(remarks.map((r) => r.id)) }, order: { createdAt: 'ASC' } })
    : []
  const authors = await database
    .getRepository(Person)
    .findBy({ id: In([...replies.map((r) => r.authorId), ...(review ? [review.reviewerId] : [])]) })
  const nameOf = (id: string) => authors.find((a) => a.id === id)?.name ?? ''
  return {
    marks: review ? (JSON.parse(review.marks) as Record<string, number>) : {},
    comment: review?.comment ?? '',
    revision: review?.revision ?? 0,
    reviewer: review ? nameOf(review.reviewerId) : null,
    remarks: remarks.map((remark) =>
      remarkView(
        remark,
        replies
          .filter((r) => r.remarkId === remark.id)
          .map((r) => ({ author: nameOf(r.authorId), text: r.text, createdAt: r.createdAt })),
      ),
    ),
  }
}
