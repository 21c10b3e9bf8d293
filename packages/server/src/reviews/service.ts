import { words } from '@rudlo/words'
import type { ChangedReview, OverruledChecks, ReviewView } from '@rudlo/contract/reviews'
import type { Kept } from '@rudlo/contract/common'
import type { Rubric } from '@rudlo/core/rubric'
import { MOST_OVERRULES, WHY_LENGTH, type Overrules } from '@rudlo/core/brief'
import type { Verdict } from '@rudlo/core/evidence'
import { isObject, readKeptRubric, readMarks, readOverrules } from '@rudlo/core/stored'
import { In, type DataSource, type EntityManager } from 'typeorm'
import type { Assignment } from '../assignments/entities'
import type { HandIn } from '../handins/entities'
import { MarkChange } from '../grades/entities'
import { badInput, notNow } from '../http/problem'
import { Person } from '../people/entities'
import { leaveTrail } from '../people/trail'
import { Remark, Reply, Review } from './entities'
import { overrulesOf, spokenOf } from './queries'
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
    const spoken = await spokenOf(
      this.database,
      remarks.map((r) => r.id),
    )
    return reviewView(review, remarks, replies, spoken, (id) => authors.find((a) => a.id === id)?.name ?? '')
  }

  /** How often checks of an assignment were overruled, by their ids: a check that is overruled again and again wants mending. */
  async overruledChecks(assignment: Assignment): Promise<OverruledChecks> {
    const counts: Record<string, number> = {}
    for (const { overrules } of await overrulesOf(this.database, assignment.id))
      for (const [ref, { verdict }] of Object.entries(readOverrules(overrules)))
        if (verdict !== null && ref.startsWith('check:')) {
          const check = ref.slice('check:'.length)
          counts[check] = (counts[check] ?? 0) + 1
        }
    return { checks: counts }
  }

  /** Keeps marks and comment. @throws Problem 400 for marks that the rubric does not have, 409 where it was changed */
  async change(person: Person, handIn: HandIn, assignment: Assignment, to: ChangedReview): Promise<Kept> {
    checkMarks(to.marks, readKeptRubric(assignment.rubric))
    return this.database.transaction(async (manager) => {
      const before = await manager.findOne(Review, {
        where: { handInId: handIn.id },
        lock: { mode: 'pessimistic_write' },
      })
      if ((before?.revision ?? 0) !== to.revision) throw notNow(words('review.somebody-else-changed-review'))
      const revision = to.revision + 1
      await manager.save(Review, {
        handInId: handIn.id,
        reviewerId: person.id,
        marks: JSON.stringify(to.marks),
        comment: to.comment,
        // a page that knows nothing of it yet changes nothing of it
        overrules:
          to.overrules === undefined
            ? (before?.overrules ?? null)
            : JSON.stringify(checkedOverrules(to.overrules)),
        revision,
        updatedAt: new Date(),
      })
      if (before)
        await keepChanges(manager, { person, handIn, was: readMarks(before.marks), became: to.marks })
      await leaveTrail(manager, person.id, 'marked', handIn.id)
      return { revision }
    })
  }
}

/** Notes every mark that was given before and is another now: what it was stays known. */
async function keepChanges(
  manager: EntityManager,
  change: {
    readonly person: Person
    readonly handIn: HandIn
    readonly was: Readonly<Record<string, number>>
    readonly became: Readonly<Record<string, number>>
  },
): Promise<void> {
  const changed = Object.keys(change.was).filter((c) => change.became[c] !== change.was[c])
  for (const criterion of changed)
    await manager.insert(MarkChange, {
      handInId: change.handIn.id,
      criterion,
      was: change.was[criterion]!,
      became: change.became[criterion] ?? null,
      authorId: change.person.id,
      at: new Date(),
    })
}

/** @throws Problem 400 for what is no overrule */
function checkedOverrules(sent: Readonly<Record<string, unknown>>): Overrules {
  const all = Object.entries(sent)
  if (all.length > MOST_OVERRULES) throw badInput(words('review.more-overruled-one'))
  return Object.fromEntries(
    all.map(([ref, overrule]) => {
      if (!/^(check|mistake|mark):.{1,220}$/.test(ref)) throw badInput(words('review.nothing-overruled'))
      const { verdict = null, why = '' } = isObject(overrule) ? overrule : {}
      if (verdict !== null && !VERDICTS.includes(verdict as Verdict))
        throw badInput(words('review.verdict-met-close'))
      if (typeof why !== 'string' || why.length > WHY_LENGTH)
        throw badInput(words('review.reason-characters-most', { most: WHY_LENGTH }))
      return [ref, { verdict: verdict as Verdict | null, why }]
    }),
  )
}

const VERDICTS: readonly Verdict[] = ['met', 'close', 'not yet']

function checkMarks(marks: Readonly<Record<string, unknown>>, { criteria, levels }: Rubric): void {
  for (const [criterion, level] of Object.entries(marks)) {
    if (!criteria.some((c) => c.id === criterion))
      throw badInput(words('review.rubric-no-line', { criterion }))
    if (typeof level !== 'number' || !Number.isInteger(level) || level < 0 || level >= levels.length)
      throw badInput(words('review.mark-none-rubric', { criterion }))
  }
}
