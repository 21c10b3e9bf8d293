import type { WorkDocument } from '@rudlo/core/mix'
import type { DataSource } from 'typeorm'
import { Person, type Role } from '../people/person.entity'
import { Remark, Review } from '../reviews/review.entity'
import type { HandIn } from './hand-in.entity'

/** A remark as both sides see it. */
export function remarkView({ id, lane, fromTick, toTick, text, createdAt }: Remark) {
  return { id, lane, from: fromTick, to: toTick, text, createdAt }
}

/** A hand-in without its review: always visible to both sides. */
export function handInView({
  id,
  workId,
  number,
  state,
  document,
  measurement,
  assessment,
  said,
  outcome,
  handedInAt,
  givenBackAt,
}: HandIn) {
  return {
    id,
    workId,
    number,
    state,
    // listening notes are the student's own, to self: they go no further
    document: { ...(JSON.parse(document) as WorkDocument), notes: [] },
    measurement: measurement === null ? null : (JSON.parse(measurement) as unknown),
    assessment: assessment === null ? null : (JSON.parse(assessment) as unknown),
    said,
    outcome: state === 'given back' ? outcome : null,
    handedInAt,
    givenBackAt,
  }
}

/** Marks, comment and remarks. A student sees them only once the hand-in was given back. */
export async function reviewView(database: DataSource, handIn: HandIn, reader: Role) {
  if (reader === 'student' && handIn.state !== 'given back') return null
  const review = await database.getRepository(Review).findOneBy({ handInId: handIn.id })
  const remarks = await database
    .getRepository(Remark)
    .find({ where: { handInId: handIn.id }, order: { fromTick: 'ASC', createdAt: 'ASC' } })
  const reviewer = review && (await database.getRepository(Person).findOneBy({ id: review.reviewerId }))
  return {
    marks: review ? (JSON.parse(review.marks) as Record<string, number>) : {},
    comment: review?.comment ?? '',
    revision: review?.revision ?? 0,
    reviewer: reviewer?.name ?? null,
    remarks: remarks.map(remarkView),
  }
}
