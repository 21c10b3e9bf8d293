import { words } from '@rudlo/words'
import { createHash, randomUUID } from 'node:crypto'
import { fingerprint } from '@rudlo/core/compare'
import type { HandInState, LookView, Outcome } from '@rudlo/contract/handins'
import type { Mix } from '@rudlo/core/mix'
import { readMix } from '@rudlo/core/stored'
import PQueue from 'p-queue'
import { In, IsNull, Not, type DataSource, type EntityManager } from 'typeorm'
import { Assignment } from '../assignments/entities'
import { breathFor } from '../http/breath'
import { badInput, notFound, notNow } from '../http/problem'
import type { Briefs } from '../assignments/briefs'
import type { MeasureQueue } from '../jobs/measure-queue'
import type { Happenings } from '../live/happenings'
import { Group, Membership, Person } from '../people/entities'
import { leaveTrail } from '../people/trail'
import { Remark, Review } from '../reviews/entities'
import { workNow } from '../works/documents'
import { Work } from '../works/entities'
import { freshWork } from '../works/fresh-work'
import { HandIn, isBack } from './entities'
import { newestOf } from './queries'
import { versionView } from './views'

/** What comes with a hand-in. */
export interface HandInWords {
  readonly revision: number
  /** What the student was going for. */
  readonly said: string
  /** Tracks on which the hand still writes. */
  readonly writing: readonly string[]
  /** Who did it together with the student, at the same machine. */
  readonly partner: Person | null
}

/** One is taken at a time, and so often in ms: whoever saves while a whole class hands in is not to wait for all of it. */
const IN_TURN = { concurrency: 1, intervalCap: 1, interval: 20 }

/** Handing in and giving back. */
export class HandIns {
  readonly #turns = new PQueue(IN_TURN)

  constructor(
    private readonly database: DataSource,
    private readonly measuring: MeasureQueue,
    private readonly briefs: Briefs,
    private readonly happenings: Happenings,
  ) {}

  /**
   * Freezes a work as its next version and has it measured.
   * @throws Problem 409 where the work has moved on, is just like the last one, or may not be handed in any more
   */
  async handIn(person: Person, workId: string, sent: HandInWords): Promise<HandIn> {
    const made = await this.#turns.add(() => this.#freeze(person, workId, sent))
    for (const { id } of made) this.measuring.add(id)
    return made[0]!
  }

  /** @returns the hand-in, and its twin where two did it together */
  #freeze(person: Person, workId: string, sent: HandInWords): Promise<HandIn[]> {
    const { revision } = sent
    return this.database.transaction(async (manager) => {
      const work = await manager.findOne(Work, {
        where: { id: workId, personId: person.id },
        lock: { mode: 'pessimistic_write' },
      })
      if (!work) throw notFound()
      const assignment = await manager.findOneByOrFail(Assignment, { id: work.assignmentId })
      const { songVersionId, handInLimit, groupId } = assignment
      const isMember = await manager.existsBy(Membership, { groupId, personId: person.id, role: 'student' })
      if (!isMember || assignment.removedAt) throw notFound()
      if (await manager.existsBy(Group, { id: groupId, endedAt: Not(IsNull()) }))
        throw notNow(words('work.term-ended'))
      if (work.revision !== revision) {
        throw notNow(words('hand-in.not-everything-saved'))
      }
      const last = await newestOf(manager, workId)
      if (last && last.revision === revision)
        throw notNow(words('hand-in.nothing-changed-since', { number: last.number }))
      checkLimit(handInLimit, last)
      const { brief } = await this.briefs.forPerson(assignment, person.id, manager)
      const { document } = await workNow(manager, workId)
      const handIn = manager.create(HandIn, {
        id: randomUUID(),
        workId,
        number: (last?.number ?? 0) + 1,
        songVersionId,
        revision,
        document: JSON.stringify(document),
        state: 'measuring',
        measurement: null,
        brief: JSON.stringify(brief),
        assessment: null,
        said: sent.said.trim(),
        writing: JSON.stringify(sent.writing),
        sameAs: await samenessInTurn(assignment.startingMix, document.mix),
        pair: sent.partner && randomUUID(),
        outcome: null,
        handedInAt: new Date(),
        givenBackAt: null,
        openedAt: null,
        seenAt: null,
        lookedBy: null,
        lookedAt: null,
        measureTries: 0,
        measureAt: new Date(),
        measureProblem: null,
      })
      await manager.insert(HandIn, handIn)
      await leaveTrail(manager, person.id, 'handed in', handIn.id)
      await this.#tellTeachers(manager, assignment, 'handed in', handIn)
      const twin = sent.partner && (await this.#twin(manager, assignment, handIn, sent.partner))
      return [handIn, ...(twin ? [twin] : [])]
    })
  }

  /** The same hand-in for the other one of a pair, as the next version of theirs. Their own work stays as it is. */
  async #twin(
    manager: EntityManager,
    assignment: Assignment,
    handIn: HandIn,
    partner: Person,
  ): Promise<HandIn> {
    const key = { assignmentId: assignment.id, personId: partner.id }
    let work = await manager.findOne(Work, { where: key, lock: { mode: 'pessimistic_write' } })
    if (!work) {
      work = manager.create(Work, {
        id: randomUUID(),
        ...key,
        revision: 1,
        snapshot: JSON.stringify(freshWork(assignment)),
        window: '',
        lastSave: '',
        updatedAt: new Date(),
      })
      await manager.insert(Work, work)
    }
    const last = await newestOf(manager, work.id)
    checkLimit(assignment.handInLimit, last, partner.name)
    const twin = {
      ...handIn,
      id: randomUUID(),
      workId: work.id,
      number: (last?.number ?? 0) + 1,
      revision: work.revision,
    }
    await manager.insert(HandIn, twin)
    await leaveTrail(manager, partner.id, 'handed in', twin.id)
    await this.#tellTeachers(manager, assignment, 'handed in', twin)
    return twin
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
        await manager.update(HandIn, handIn.id, {
          brief: JSON.stringify(brief),
          assessment: null,
          measureTries: 0,
          measureAt: new Date(),
          measureProblem: null,
        })
        await leaveTrail(manager, person.id, 'measured anew', handIn.id)
      })
      this.measuring.add(handIn.id, false)
    }
    return handIns.length
  }

  async #worksOf(assignmentId: string): Promise<string[]> {
    return (await this.database.getRepository(Work).findBy({ assignmentId })).map((w) => w.id)
  }

  /** The version before a hand-in, if there is one. */
  before(handIn: HandIn): Promise<HandIn | null> {
    return this.database.getRepository(HandIn).findOneBy({ workId: handIn.workId, number: handIn.number - 1 })
  }

  /**
   * Gives a hand-in back with its review.
   * @param at when the student gets it; held until all are given back together where it is null
   * @throws Problem 409 where it was given back already
   */
  async giveBack(person: Person, handIn: HandIn, outcome: Outcome, at: Date | null): Promise<void> {
    await this.database.transaction(async (manager) => {
      const done = await manager.update(
        HandIn,
        { id: handIn.id, state: In(['waiting', 'held']) },
        at ? { state: 'given back', outcome, givenBackAt: at, openedAt: null } : { state: 'held', outcome },
      )
      if (!done.affected) {
        throw notNow(
          handIn.state === 'measuring'
            ? words('hand-in.hand-in-still-being')
            : words('hand-in.hand-in-given-back'),
        )
      }
      await leaveTrail(manager, person.id, at ? 'gave back' : 'decided', handIn.id)
      if (at) await this.#tellStudent(manager, handIn, 'given back', at)
    })
  }

  /** Gives back everything of an assignment that is held. @returns how many @throws Problem 400 for a time long gone */
  async giveBackHeld(person: Person, assignment: Assignment, at: Date): Promise<number> {
    if (at.getTime() < Date.now() - DAY) throw badInput(words('hand-in.time-over-choose'))
    const held = await this.database
      .getRepository(HandIn)
      .findBy({ workId: In(await this.#worksOf(assignment.id)), state: 'held' })
    for (const handIn of held) await this.giveBack(person, handIn, handIn.outcome ?? 'again', at)
    return held.length
  }

  /** Takes back what was given, as long as the student has not opened it. @throws Problem 409 afterwards */
  async takeBack(person: Person, handIn: HandIn): Promise<void> {
    await this.database.transaction(async (manager) => {
      const done = await manager.update(
        HandIn,
        { id: handIn.id, state: In(['held', 'given back']), openedAt: IsNull() },
        { state: 'waiting', outcome: null, givenBackAt: null },
      )
      if (!done.affected)
        throw notNow(
          handIn.openedAt ? words('hand-in.student-opened-already') : words('hand-in.hand-in-not-given'),
        )
      await leaveTrail(manager, person.id, 'took back', handIn.id)
      await this.#tellStudent(manager, handIn, 'taken back')
    })
  }

  /**
   * Takes a hand-in away again, as if it had never come: until a teacher has looked at it.
   * @throws Problem 409 afterwards
   */
  async withdraw(person: Person, { id, workId }: HandIn): Promise<void> {
    await this.database.transaction(async (manager) => {
      const now = await manager.findOne(HandIn, { where: { id }, lock: { mode: 'pessimistic_write' } })
      if (!now) throw notFound()
      const newest = await newestOf(manager, workId)
      if (now.seenAt || !WAITS.includes(now.state) || newest?.id !== id)
        throw notNow(words('hand-in.looked-at'))
      await manager.delete(Remark, { handInId: id })
      await manager.delete(Review, { handInId: id })
      await manager.delete(HandIn, { id })
      const { assignmentId } = await manager.findOneByOrFail(Work, { id: workId })
      const assignment = await manager.findOneByOrFail(Assignment, { id: assignmentId })
      // the hand-in is gone: what was done is found under the assignment
      await leaveTrail(manager, person.id, 'withdrew a hand-in', assignment.id)
      await this.#tellTeachers(manager, assignment, 'withdrawn', { id })
    })
  }

  /** Notes that the student has opened what came back. @throws Problem 404 for what is not back yet */
  async open(handIn: HandIn): Promise<void> {
    if (!isBack(handIn)) throw notFound()
    await this.database
      .getRepository(HandIn)
      .update({ id: handIn.id, openedAt: IsNull() }, { openedAt: new Date() })
  }

  /**
   * Notes that a teacher looks at a hand-in.
   * @returns another teacher who looks at it just now, and a newer version if there is one
   */
  async look(person: Person, handIn: HandIn): Promise<LookView> {
    const { lookedBy, lookedAt } = handIn
    const isOther = lookedBy !== null && lookedBy !== person.id && Date.now() - Number(lookedAt) < LOOKS_MS
    const now = new Date()
    const noted = {
      ...(isOther ? {} : { lookedBy: person.id, lookedAt: now }),
      ...(handIn.seenAt ? {} : { seenAt: now }),
    }
    if (Object.keys(noted).length) await this.database.getRepository(HandIn).update(handIn.id, noted)
    const other = isOther ? await this.database.getRepository(Person).findOneBy({ id: lookedBy }) : null
    const newer = await newestOf(this.database.manager, handIn.workId)
    return {
      other: other?.name ?? null,
      newer: newer && newer.number > handIn.number ? versionView(newer) : null,
    }
  }

  async #tellTeachers(
    manager: EntityManager,
    assignment: Assignment,
    kind: 'handed in' | 'withdrawn',
    { id }: Pick<HandIn, 'id'>,
  ): Promise<void> {
    const teachers = await this.happenings.members(manager, assignment.groupId, 'teacher')
    await this.happenings.tell(manager, teachers, kind, { assignment: assignment.id, handIn: id })
  }

  async #tellStudent(
    manager: EntityManager,
    { id, workId }: HandIn,
    kind: 'given back' | 'taken back',
    at = new Date(),
  ): Promise<void> {
    const work = await manager.findOneByOrFail(Work, { id: workId })
    const data = { assignment: work.assignmentId, handIn: id }
    await this.happenings.tell(manager, [work.personId], kind, data, at)
  }
}

/** @param name whose it is, where it is not one's own @throws Problem 409 where it was handed in as often as it may be */
function checkLimit(limit: number | null, last: HandIn | null, name = ''): void {
  const most = limit ?? MOST_VERSIONS
  if ((last?.number ?? 0) < most) return
  throw notNow(words(name ? 'hand-in.no-more-for' : 'hand-in.no-more', { name, n: most }, most))
}

/** As long as nothing is decided. */
const WAITS: readonly HandInState[] = ['measuring', 'waiting']
const DAY = 86_400_000
/** Versions of a work where the teacher sets no limit: more than anybody hands in. */
const MOST_VERSIONS = 200
/** So long after a sign of life a teacher counts as looking at a hand-in. */
const LOOKS_MS = 25_000

/** The same for a starting mix as it is stored, with a turn for others in between: both may be large. */
async function samenessInTurn(startingMix: string, mix: Mix): Promise<string | null> {
  const start = readMix(startingMix)
  await breathFor(startingMix.length)
  return sameness(start, mix)
}

/** What tells same hand-ins from others; null for one that was not touched. */
export function sameness(start: Mix, mix: Mix): string | null {
  const text = fingerprint(start, mix)
  return text === null ? null : createHash('sha256').update(text).digest('hex')
}
