import { completeBrief, type Assessed, type Brief } from '@rudlo/core/brief'
import type { CommandNote } from '@rudlo/core/checks'
import type { Mix, WorkDocument } from '@rudlo/core/mix'
import { LessThanOrEqual, type DataSource } from 'typeorm'
import { Assignment } from '../assignments/assignment.entity'
import { HandIn } from '../handins/hand-in.entity'
import type { Happenings } from '../live/happenings'
import type { Songs } from '../songbook/songs'
import { Work, WorkCommand } from '../works/work.entity'
import type { MeasureTask } from './measure-worker'
import type { Recordings } from './recordings'
import type { WorkerPool } from './worker-pool'

const TRIES = 3

/** Measures hand-ins in worker threads. What was not measured when the server went down is found at start. */
export class MeasureQueue {
  readonly #running = new Map<string, Promise<void>>()

  constructor(
    private readonly database: DataSource,
    private readonly from: {
      readonly songs: Songs
      readonly recordings: Recordings
      readonly happenings: Happenings
    },
    private readonly workers: WorkerPool<MeasureTask, Assessed>,
    private readonly log: (line: string) => void,
  ) {}

  /** Takes up everything that still has no measurement. */
  async resume(): Promise<void> {
    const open = await this.database
      .getRepository(HandIn)
      .createQueryBuilder('h')
      .select(['h.id'])
      .where('h.measurement IS NULL OR h.assessment IS NULL')
      .orderBy('h.handed_in_at')
      .getMany()
    for (const { id } of open) this.add(id, false)
  }

  /** Measures one hand-in in the background, before all that has been waiting unless it is not urgent. */
  add(id: string, urgent = true): void {
    if (this.#running.has(id)) return
    const job = this.#measure(id, TRIES, urgent).finally(() => this.#running.delete(id))
    this.#running.set(id, job)
  }

  /** Waits until nothing is left to measure. */
  async settled(): Promise<void> {
    while (this.#running.size) await Promise.all(this.#running.values())
  }

  /** Renders a mix of a song in a worker thread and looks at it as a brief asks. */
  async assess(
    songVersionId: string,
    task: Omit<MeasureTask, 'song' | 'audio'>,
    urgent = true,
  ): Promise<Assessed> {
    const song = await this.from.songs.version(songVersionId)
    const audio = await this.from.recordings.of(song)
    return this.workers.run({ ...task, song, audio }, urgent)
  }

  /** The list of commands that made a work up to a revision, oldest first. */
  async #commands(workId: string, revision: number): Promise<CommandNote[]> {
    const commands = await this.database.getRepository(WorkCommand).find({
      where: { workId, revision: LessThanOrEqual(revision) },
      order: { revision: 'ASC', number: 'ASC' },
    })
    return commands.map((c) => ({
      lanes: JSON.parse(c.lanes) as string[],
      from: c.fromTick,
      to: c.toTick,
      how: c.how,
    }))
  }

  async #measure(id: string, tries: number, urgent: boolean): Promise<void> {
    try {
      const repository = this.database.getRepository(HandIn)
      const handIn = await repository.findOneByOrFail({ id })
      const work = await this.database.getRepository(Work).findOneByOrFail({ id: handIn.workId })
      const assignment = await this.database
        .getRepository(Assignment)
        .findOneByOrFail({ id: work.assignmentId })
      const { measurement, assessment } = await this.assess(
        handIn.songVersionId,
        {
          start: JSON.parse(assignment.startingMix) as Mix,
          mix: (JSON.parse(handIn.document) as WorkDocument).mix,
          brief: completeBrief(JSON.parse(handIn.brief ?? assignment.brief) as Partial<Brief>),
          more: {
            commands: await this.#commands(work.id, handIn.revision),
            writing: JSON.parse(handIn.writing ?? '[]') as string[],
          },
        },
        urgent,
      )
      await this.database.transaction(async (manager) => {
        await manager.update(
          HandIn,
          { id },
          { measurement: JSON.stringify(measurement), assessment: JSON.stringify(assessment) },
        )
        await manager.update(HandIn, { id, state: 'measuring' }, { state: 'waiting' })
        const { happenings } = this.from
        const teachers = await happenings.members(manager, assignment.groupId, 'teacher')
        const data = { assignment: assignment.id, handIn: id }
        await happenings.tell(manager, [...teachers, work.personId], 'measured', data)
      })
    } catch (error) {
      this.log(`measuring a hand-in failed (${tries - 1} tries left): ${(error as Error).message}`)
      if (tries > 1) return this.#measure(id, tries - 1, urgent)
    }
  }
}
