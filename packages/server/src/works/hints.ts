import { HINT_LEVELS } from '@rudlo/core/brief'
import type { DataSource } from 'typeorm'
import type { Assignment } from '../assignments/assignment.entity'
import type { Briefs } from '../assignments/briefs'
import { notFound, notNow } from '../http/problem'
import type { Person } from '../people/person.entity'
import { OpenedHint } from './opened-hint.entity'
import type { Work } from './work.entity'

/** A hint as its student sees it, once it is open. */
export interface HintView {
  readonly task: string
  readonly level: number
  readonly text: string
}

/** Hints: fetched when they are opened, in order, and remembered for both sides. */
export class Hints {
  constructor(
    private readonly database: DataSource,
    private readonly briefs: Briefs,
  ) {}

  /** Every hint of a work that was opened, by task and level. */
  async opened(workId: string): Promise<{ task: string; level: number }[]> {
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
    { task, level }: { readonly task: string; readonly level: number },
  ): Promise<HintView> {
    const { brief } = await this.briefs.forPerson(assignment, person.id)
    const text = brief.tasks.find((t) => t.id === task)?.hints[level]
    if (text === undefined) throw notFound()
    const before = (await this.opened(work.id)).filter((h) => h.task === task)
    if (level > 0 && !before.some((h) => h.level === level - 1))
      throw notNow(`Open "${HINT_LEVELS[level - 1]}" first.`)
    if (!before.some((h) => h.level === level))
      await this.database
        .getRepository(OpenedHint)
        .createQueryBuilder()
        .insert()
        .values({ workId: work.id, task, level, openedAt: new Date() })
        .orIgnore()
        .execute()
    return { task, level, text }
  }
}
