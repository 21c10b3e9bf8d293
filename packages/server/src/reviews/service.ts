import type { ChangedReview, ReviewView } from '@rudlo/contract/reviews'
import type { Kept } from '@rudlo/contract/common'
import type { Rubric } from '@rudlo/core/rubric'
import { readKeptRubric } from '@rudlo/core/stored'
import { In, type DataSource } from 'typeorm'
import type { Assignment } from '../assignments/entities'
import type { HandIn } from '../handins/entities'
import { badInput, notNow } from '../http/problem'
import { Person } from '../people/entities'
import { leaveTrail } from '../people/trail'
import { Remark, Reply, Review } from './entities'
import { reviewView } from './views'

/** Marks and comments of hand-ins. */
export class Reviews {
  constructor(private readonly database: DataSource) {}

  /** Marks, comment and remarks of a hand-in. Whether somebody may see them is for the caller to say. */
  async view(handIn: HandIn): Promise<ReviewView> {
    const { manager } = this.database
    const review = await manager.findOneBy(Review, { handInId: handIn.id })
    const remarks = await manager.find(Remark, {
      where: { handInId: handIn.id },
      order: { fromTick: 'ASC', createdAt: 'ASC' },
    })
    const replies = remarks.length
      ? await manager.find(Reply, {
          where: { remarkId: In(remarks.map((r) => r.id)) },
          order: { createdAt: 'ASC' },
        })
      : []
    const authors = await manager.findBy(Person, {
      id: In([...replies.map((r) => r.authorId), ...(review ? [review.reviewerId] : [])]),
    })
    return reviewView(review, remarks, replies, (id) => authors.find((a) => a.id === id)?.name ?? '')
  }

  /** Keeps marks and comment. @throws Problem 400 for marks that the rubric does not have, 409 where it was changed */
  async change(person: Person, handIn: HandIn, assignment: Assignment, to: ChangedReview): Promise<Kept> {
    checkMarks(to.marks, readKeptRubric(assignment.rubric))
    return this.database.transaction(async (manager) => {
      const before = await manager.findOne(Review, {
        where: { handInId: handIn.id },
        lock: { mode: 'pessimistic_write' },
      })
      if ((before?.revision ?? 0) !== to.revision)
        throw notNow('Somebody else has changed this review in the meantime: open it again to see theirs.')
      const revision = to.revision + 1
      await manager.save(Review, {
        handInId: handIn.id,
        reviewerId: person.id,
        marks: JSON.stringify(to.marks),
        comment: to.comment,
        revision,
        updatedAt: new Date(),
      })
      await leaveTrail(manager, person.id, 'marked', handIn.id)
      return { revision }
    })
  }
}

function checkMarks(marks: Readonly<Record<string, unknown>>, { criteria, levels }: Rubric): void {
  for (const [criterion, level] of Object.entries(marks)) {
    if (!criteria.some((c) => c.id === criterion)) throw badInput(`The rubric has no line "${criterion}".`)
    if (typeof level !== 'number' || !Number.isInteger(level) || level < 0 || level >= levels.length)
      throw badInput(`The mark of "${criterion}" is none of the rubric's levels.`)
  }
}
