import { randomUUID } from 'node:crypto'
import type { DataSource } from 'typeorm'
import { Assignment } from '../assignments/assignment.entity'
import { notFound, notNow } from '../http/problem'
import type { MeasureQueue } from '../jobs/measure-queue'
import type { Person } from '../people/person.entity'
import { leaveTrail } from '../people/trail'
import { Work } from '../works/work.entity'
import { HandIn, type Outcome } from './hand-in.entity'

/** Handing in and giving back. */
export class HandIns {
  constructor(
    private readonly database: DataSource,
    private readonly measuring: MeasureQueue,
  ) {}

  /**
   * Freezes a work as its next version and has it measured.
   * @throws Problem 409 where the work has moved on, is waiting already unchanged, or is just like the last one
   */
  async handIn(person: Person, workId: string, revision: number): Promise<HandIn> {
    const made = await this.database.transaction(async (manager) => {
      const work = await manager.findOne(Work, {
        where: { id: workId, personId: person.id },
        lock: { mode: 'pessimistic_write' },
      })
      if (!work) throw notFound()
      if (work.revision !== revision) {
        throw notNow('Not everything is saved yet: wait until the work is saved, then hand it in.')
      }
      const last = await manager.findOne(HandIn, { where: { workId }, order: { number: 'DESC' } })
      if (last && last.revision === revision)
        throw notNow(`Nothing has changed since version ${last.number}.`)
      const { songVersionId } = await manager.findOneByOrFail(Assignment, { id: work.assignmentId })
      const handIn = manager.create(HandIn, {
        id: randomUUID(),
        workId,
        number: (last?.number ?? 0) + 1,
        songVersionId,
        revision,
        document: work.document,
        state: 'measuring',
        measurement: null,
        outcome: null,
        handedInAt: new Date(),
        givenBackAt: null,
      })
      await manager.insert(HandIn, handIn)
      await leaveTrail(manager, person.id, 'handed in', handIn.id)
      return handIn
    })
    this.measuring.add(made.id)
    return made
  }

  /** All versions of a work, oldest first. */
  ofWork(workId: string): Promise<HandIn[]> {
    return this.database.getRepository(HandIn).find({ where: { workId }, order: { number: 'ASC' } })
  }

  /** The version before a hand-in, if there is one. */
  before(handIn: HandIn): Promise<HandIn | null> {
    return this.database.getRepository(HandIn).findOneBy({ workId: handIn.workId, number: handIn.number - 1 })
  }

  /** Gives a hand-in back with its review. @throws Problem 409 where it was given back already */
  async giveBack(person: Person, handIn: HandIn, outcome: Outcome): Promise<void> {
    await this.database.transaction(async (manager) => {
      const done = await manager.update(
        HandIn,
        { id: handIn.id, state: 'waiting' },
        { state: 'given back', outcome, givenBackAt: new Date() },
      )
      if (!done.affected) {
        throw notNow(
          handIn.state === 'measuring'
            ? 'This hand-in is still being measured: give it back in a moment.'
            : 'This hand-in was given back already.',
        )
      }
      await leaveTrail(manager, person.id, 'gave back', handIn.id)
    })
  }
}
