import { readBrief, type Brief } from '@rudlo/core/brief'
import type { Mix } from '@rudlo/core/mix'
import { readRubric, type Rubric } from '@rudlo/core/rubric'
import { readKeptBrief } from '@rudlo/core/stored'
import { checkMix } from '@rudlo/core/validate'
import type { SongVersion } from '@rudlo/core/song'
import type { DataSource, EntityManager } from 'typeorm'
import { badInput } from '../http/problem'
import { type Assignment, Exception } from './entities'

/** Which brief holds for whom. */
export class Briefs {
  constructor(private readonly database: DataSource) {}

  /** The brief of an assignment as its teacher wrote it for everybody. */
  of({ brief }: Pick<Assignment, 'brief'>): Brief {
    return readKeptBrief(brief)
  }

  /**
   * What holds for one student: a brief of their own, or the one for everybody; and when it is due.
   * @param manager the transaction that asks, if one does
   */
  async forPerson(
    assignment: Assignment,
    personId: string,
    manager: EntityManager = this.database.manager,
  ): Promise<{ brief: Brief; dueAt: Date | null }> {
    const own = await manager.findOneBy(Exception, { assignmentId: assignment.id, personId })
    return {
      brief: own?.brief ? this.of({ brief: own.brief }) : this.of(assignment),
      dueAt: own?.dueAt ?? assignment.dueAt,
    }
  }
}

/** Reads a brief that was sent. @throws Problem 400 with the core's sentence */
export function sentBrief(document: unknown, song: SongVersion, mix: Mix): Brief {
  try {
    return readBrief(document, song, mix)
  } catch (error) {
    throw badInput((error as Error).message)
  }
}

/** Reads a mix that was sent. @throws Problem 400 with the place of the first thing wrong */
export function sentMix(document: unknown, song: SongVersion): Mix {
  const checked = checkMix(document, song)
  if (!checked.ok) throw badInput(checked.problem)
  return checked.mix
}

/** Reads a rubric that was sent. @throws Problem 400 with the core's sentence */
export function sentRubric(document: unknown): Rubric {
  try {
    return readRubric(document)
  } catch (error) {
    throw badInput((error as Error).message)
  }
}
