import { randomUUID } from 'node:crypto'
import { In, type DataSource } from 'typeorm'
import { Assignment } from '../assignments/assignment.entity'
import { notFound, notNow } from '../http/problem'
import type { Briefs } from '../assignments/briefs'
import type { MeasureQueue } from '../jobs/measure-queue'
import type { Person } from '../people/person.entity'
import { leaveTrail } from '../people/trail'
import { Work } from '../works/work.entity'
import { HandIn, type Outcome } from './hand-in.entity'

/** What comes with a hand-in. */
export interface HandInWords {
  readonly revision: number
  /** What the student was going for. */
  readonly said: string
  /** Tracks on which the hand still writes. */
  readonly writing: readonly string[]
}

/** Handing in and giving back. */
export class HandIns {
  constructor(
    private readonly database: DataSource,
    private readonly measuring: MeasureQueue,
    private readonly briefs: Briefs,
  ) {}

  /**
   * Freezes a work as its next version and has it measured.
   * @throws Problem 409 where the work has moved on, is just like the last one, or may not be handed in any more
   */
  async handIn(person: Person, workId: string, words: HandInWords): Promise<HandIn> {
    const { revision } = words
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
      const assignment = await manager.findOneByOrFail(Assignment, { id: work.assignmentId })
      const { songVersionId, handInLimit } = assignment
      if (handInLimit !== null && (last?.number ?? 0) >= handInLimit)
        throw notNow(
          handInLimit === 1
            ? 'This can be handed in once, and it was.'
            : `This can be handed in ${handInLimit} times, and it was.`,
        )
      const { brief } = await this.briefs.forPerson(assignment, person.id)
      const handIn = manager.create(HandIn, {
        id: randomUUID(),
        workId,
        number: (last?.number ?? 0) + 1,
        songVersionId,
        revision,
        document: work.document,
        state: 'measuring',
        measurement: null,
        brief: JSON.stringify(brief),
        assessment: null,
        said: words.said.trim(),
        writing: JSON.stringify(words.writing),
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

  /** Has every hand-in of an assignment measured anew, by the brief as it is now. @returns how many */
  async remeasure(person: Person, assignment: Assignment): Promise<number> {
    const handIns = await this.database.getRepository(HandIn).find({
      where: { workId: In(await this.#worksOf(assignment.id)) },
    })
    for (const handIn of handIns) {
      const work = await this.database.getRepository(Work).findOneByOrFail({ id: handIn.workId })
      const { brief } = await this.briefs.forPerson(assignment, work.personId)
      await this.database.transaction(async (manager) => {
        await manager.update(HandIn, handIn.id, { brief: JSON.stringify(brief), assessment: null })
        await leaveTrail(manager, person.id, 'measured anew', handIn.id)
      })
      this.measuring.add(handIn.id, false)
    }
    return handIns.length
  }

  async #worksOf(assignmentId: string): Promise<string[]> {
    return (await this.database.getRepository(Work).findBy({ assignmentId })).map((w) => w.id)
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
