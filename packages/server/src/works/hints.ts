import { words } from '@rudlo/words'
import type { HintView, HintWanted, OpenedHint as Opened, TaskTries as Tries } from '@rudlo/contract/works'
import { HINT_LEVELS } from '@rudlo/core/brief'
import type { DataSource } from 'typeorm'
import type { Assignment } from '../assignments/entities'
import type { Briefs } from '../assignments/briefs'
import { notFound, notNow } from '../http/problem'
import type { Person } from '../people/entities'
import { OpenedHint, TaskTries, type Work } from './entities'
import { countTry } from './queries'

/** Hints: fetched when they are opened, in order, and remembered for both sides. */
export class Hints {
  constructor(
    private readonly database: DataSource,
    private readonly briefs: Briefs,
  ) {}

  /** Every hint of a work that was opened, by task and level. */
  async opened(workId: string): Promise<Opened[]> {
    const hints = await this.database
      .getRepository(OpenedHint)
      .find({ where: { workId }, order: { openedAt: 'ASC' } })
    return hints.map(({ task, level }) => ({ task, level }))
  }

  /** Opens a hint. @throws Problem where there is none, or the one before it is still closed */
  async open(
    person: Person,
    work: Work,
    assignment: Assignment,
    { task, level }: HintWanted,
  ): Promise<HintView> {
    const { brief } = await this.briefs.forPerson(assignment, person.id)
    const text = brief.tasks.find((t) => t.id === task)?.hints[level]
    if (text === undefined) throw notFound()
    const before = (await this.opened(work.id)).filter((h) => h.task === task)
    // what was opened once stays open
    if (before.some((h) => h.level === level)) return { task, level, text }
    const missing = brief.hintsAfter - (await this.#triesOf(work.id, task))
    if (missing > 0) throw notNow(words('work.hints-later', { n: missing }, missing))
    if (level > 0 && !before.some((h) => h.level === level - 1))
      throw notNow(words(`work.hint-before.${HINT_LEVELS[level - 1]!}`))
    await this.database
      .getRepository(OpenedHint)
      .createQueryBuilder()
      .insert()
      .values({ workId: work.id, task, level, openedAt: new Date() })
      .orIgnore()
      .execute()
    return { task, level, text }
  }

  /** How often each task of a work was tried. */
  async tries(workId: string): Promise<Tries[]> {
    const found = await this.database.getRepository(TaskTries).findBy({ workId })
    return found.map(({ task, tries }) => ({ task, tries }))
  }

  async #triesOf(workId: string, task: string): Promise<number> {
    return (await this.database.getRepository(TaskTries).findOneBy({ workId, task }))?.tries ?? 0
  }

  /** Counts that a student tried a task and asked how it was. @throws Problem 404 where the brief has no such task */
  async count(person: Person, work: Work, assignment: Assignment, task: string): Promise<void> {
    const { brief } = await this.briefs.forPerson(assignment, person.id)
    if (!brief.tasks.some((t) => t.id === task)) throw notFound()
    await countTry(this.database, work.id, task)
  }
}
