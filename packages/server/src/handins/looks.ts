import type { LineOfOne, NotHandedIn, OwnVersion, QueueEntry, ReviewedHandIn } from '@rudlo/contract/handins'
import type { HandInState } from '@rudlo/contract/handins'
import { lineOf } from '@rudlo/core/compare'
import { resolve } from '@rudlo/core/mix'
import { readMix, readWork } from '@rudlo/core/stored'
import type { DataSource } from 'typeorm'
import type { Assignment } from '../assignments/entities'
import { breath } from '../http/breath'
import { notFound } from '../http/problem'
import { Person } from '../people/entities'
import type { Reviews } from '../reviews/service'
import type { Hints } from '../works/hints'
import type { Work } from '../works/entities'
import { isBack, type HandIn } from './entities'
import { dueOf, newestOfEach, notHandedIn, queueOf, versionsOf } from './queries'
import type { HandIns } from './service'
import { handInView, hoursLate, notHandedInView, queueView, versionView } from './views'

/** Hand-ins as those see them who may. */
export class Looks {
  constructor(
    private readonly database: DataSource,
    private readonly parts: { readonly handIns: HandIns; readonly reviews: Reviews; readonly hints: Hints },
  ) {}

  /** A student's own versions, oldest first, with the reviews that are back. */
  async *own(work: Work): AsyncGenerator<OwnVersion> {
    for (const version of await versionsOf(this.database, work.id))
      yield {
        ...handInView(version, 'student'),
        review: isBack(version) ? await this.parts.reviews.view(version) : null,
      }
  }

  /** Every version of an assignment, in order. */
  async queue({ id }: Assignment, state?: HandInState): Promise<QueueEntry[]> {
    const rows = await queueOf(this.database, id, state)
    return rows.map((row) => queueView(row, rows))
  }

  /** Who has not handed in, by name. */
  async missing({ id }: Assignment): Promise<NotHandedIn[]> {
    return (await notHandedIn(this.database, id)).map(notHandedInView)
  }

  /** Everybody's line of a lane, of the newest versions. @throws Problem 404 where no mix has the lane */
  async lines({ id, startingMix }: Assignment, lane: string): Promise<LineOfOne[]> {
    let isLane = Boolean(resolve(readMix(startingMix), lane))
    const lines: LineOfOne[] = []
    for (const { id: handIn, student, document } of await newestOfEach(this.database, id)) {
      // a class of large mixes takes a while to read
      await breath()
      const { mix } = readWork(document)
      isLane ||= Boolean(resolve(mix, lane))
      lines.push({ handIn, student, points: lineOf(mix, lane) })
    }
    if (!isLane) throw notFound()
    return lines
  }

  /** A hand-in with what belongs to it, as somebody may know it. */
  async view(
    person: Person,
    {
      handIn,
      work,
      assignment,
    }: { readonly handIn: HandIn; readonly work: Work; readonly assignment: Assignment },
  ): Promise<ReviewedHandIn> {
    const { handIns, reviews, hints } = this.parts
    const before = await handIns.before(handIn)
    const versions = await versionsOf(this.database, work.id)
    const student = await this.database.getRepository(Person).findOneByOrFail({ id: work.personId })
    return {
      ...handInView(handIn, person.role),
      assignment: assignment.id,
      student: student.name,
      before: before && handInView(before, person.role),
      versions: versions.map(versionView),
      late: hoursLate(versions[0]?.handedInAt ?? handIn.handedInAt, await dueOf(this.database, work.id)),
      saidBefore: before && isBack(before) ? (await reviews.view(before)).remarks : null,
      hints: await hints.opened(work.id),
      review: person.role === 'teacher' || isBack(handIn) ? await reviews.view(handIn) : null,
    }
  }
}
