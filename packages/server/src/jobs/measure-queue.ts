import type { Log } from '../http/log'
import type { CommandNote } from '@rudlo/core/evidence'
import { readKeptBrief, readTexts } from '@rudlo/core/stored'
import PQueue from 'p-queue'
import { LessThanOrEqual, type DataSource } from 'typeorm'
import { Assignment } from '../assignments/entities'
import { HandIn } from '../handins/entities'
import type { MeasureProblem } from '@rudlo/contract/handins'
import { Problem } from '../http/problem'
import type { Happenings } from '../live/happenings'
import type { Songs } from '../songbook/songs'
import { HandInFigure } from '../term/entities'
import { Work, WorkCommand } from '../works/entities'
import type { Measured, MeasureTask } from './measure-worker'
import type { Recordings } from './recordings'
import { TooLong, type WorkerPool } from './worker-pool'

/** Pauses before each further try, in ms. After the last one it has failed. */
const PAUSES = [1000, 5000, 30_000, 120_000]
/** So long a hand-in is somebody's who took it up; whoever finds it after that takes it over. */
const LEASE_MS = 10 * 60_000
/** How often is looked for hand-ins that nobody measures, and how many are taken up at once. */
const LOOK_MS = 5000
const AT_ONCE = 50
/** So many are fetched from the database and worked on at a time: a little more than there are threads. */
const UNDER_WAY = 3
/** Pauses while the database is away: those do not count as tries. */
const AWAY_MS = [500, 1000, 2000, 5000]

export interface MeasureOptions {
  /** Pauses before each further try, in ms. */
  readonly pauses?: readonly number[]
}

/**
 * Measures hand-ins in worker threads. What is to be measured stands in the database: whatever dies on the way, somebody takes
 * it up again, with growing pauses, until it is measured or has failed for a reason that its teacher can read.
 */
export class MeasureQueue {
  readonly #running = new Map<string, Promise<void>>()
  readonly #turns = new PQueue({ concurrency: UNDER_WAY })
  readonly #pauses: readonly number[]
  #timer: ReturnType<typeof setTimeout> | null = null
  #closed = false

  constructor(
    private readonly database: DataSource,
    private readonly from: {
      readonly songs: Songs
      readonly recordings: Recordings
      readonly happenings: Happenings
    },
    private readonly workers: WorkerPool<MeasureTask, Measured>,
    private readonly log: Log,
    { pauses = PAUSES }: MeasureOptions = {},
  ) {
    this.#pauses = pauses
  }

  /** Takes up everything that still has no measurement, and looks for more from now on. */
  async resume(): Promise<void> {
    const open = await this.database
      .getRepository(HandIn)
      .createQueryBuilder('h')
      .select(['h.id'])
      .where('(h.measurement IS NULL OR h.assessment IS NULL) AND h.measure_problem IS NULL')
      .orderBy('h.handed_in_at')
      .getMany()
    for (const { id } of open) this.add(id, false)
    this.#lookLater()
  }

  /** Measures one hand-in in the background, before all that has been waiting unless it is not urgent. */
  add(id: string, urgent = true): void {
    if (this.#closed || this.#running.has(id)) return
    const job = this.#turns
      .add(() => this.#measure(id, urgent), { priority: urgent ? 1 : 0 })
      .finally(() => this.#running.delete(id))
    this.#running.set(id, job)
  }

  /** Has a hand-in measured anew, also one that had failed. */
  async again(id: string): Promise<void> {
    await this.database
      .getRepository(HandIn)
      .update(id, { measureTries: 0, measureProblem: null, measureAt: new Date() })
    this.add(id)
  }

  /** Waits until nothing is being measured. */
  async settled(): Promise<void> {
    while (this.#running.size) await Promise.all(this.#running.values())
  }

  /** Takes up nothing more. */
  close(): void {
    this.#closed = true
    if (this.#timer) clearTimeout(this.#timer)
  }

  /** Renders a mix of a song in a worker thread and looks at it as a brief asks. */
  async assess(
    songVersionId: string,
    task: Omit<MeasureTask, 'song' | 'audio'>,
    urgent = true,
  ): Promise<Measured> {
    const song = await this.from.songs.version(songVersionId)
    const audio = await this.from.recordings.of(song)
    return this.workers.run({ ...task, song, audio }, urgent)
  }

  #lookLater(): void {
    if (this.#closed) return
    this.#timer = setTimeout(() => void this.#look().finally(() => this.#lookLater()), LOOK_MS)
    this.#timer.unref()
  }

  /** Takes up what is due: after a pause, or since whoever had it is gone. */
  async #look(): Promise<void> {
    try {
      const due = await this.database.getRepository(HandIn).find({
        select: { id: true },
        where: { measureAt: LessThanOrEqual(new Date()) },
        order: { measureAt: 'ASC' },
        take: AT_ONCE,
      })
      for (const { id } of due) this.add(id, false)
    } catch (error) {
      this.log.error({ reason: (error as Error).message }, 'looking for hand-ins to measure failed')
    }
  }

  /** The list of commands that made a work up to a revision, oldest first. */
  async #commands(workId: string, revision: number): Promise<CommandNote[]> {
    const commands = await this.database.getRepository(WorkCommand).find({
      where: { workId, revision: LessThanOrEqual(revision) },
      order: { revision: 'ASC', number: 'ASC' },
    })
    return commands.map((c) => ({
      lanes: readTexts(c.lanes),
      from: c.fromTick,
      to: c.toTick,
      how: c.how,
    }))
  }

  async #measure(id: string, urgent: boolean): Promise<void> {
    for (let away = 0; !this.#closed; away++) {
      try {
        return await this.#attempt(id, urgent)
      } catch (error) {
        if (this.#closed) return
        this.log.error({ reason: (error as Error).message }, 'measuring a hand-in failed')
        try {
          await this.#failed(id, error as Error)
          return
        } catch {
          // the database is away: nothing can be noted, and nothing has been lost
          await rest(AWAY_MS[Math.min(away, AWAY_MS.length - 1)]!)
        }
      }
    }
  }

  async #attempt(id: string, urgent: boolean): Promise<void> {
    const repository = this.database.getRepository(HandIn)
    const handIn = await repository.findOneBy({ id })
    // erased in the meantime
    if (!handIn) return
    await repository.update(id, { measureAt: new Date(Date.now() + LEASE_MS) })
    const work = await this.database.getRepository(Work).findOneByOrFail({ id: handIn.workId })
    const assignment = await this.database
      .getRepository(Assignment)
      .findOneByOrFail({ id: work.assignmentId })
    const { measurement, assessment, figures } = await this.assess(
      handIn.songVersionId,
      {
        start: { mix: assignment.startingMix },
        mix: { work: handIn.document },
        brief: readKeptBrief(handIn.brief ?? assignment.brief),
        more: {
          commands: await this.#commands(work.id, handIn.revision),
          writing: readTexts(handIn.writing ?? '[]'),
        },
        pictured: true,
      },
      urgent,
    )
    const kept = await this.database.transaction(async (manager) => {
      const now = await manager.findOne(HandIn, {
        select: { id: true, brief: true, state: true },
        where: { id },
        lock: { mode: 'pessimistic_write' },
      })
      if (!now) return true
      // measured anew by another brief in the meantime: these figures are of the old one
      if (now.brief !== handIn.brief) return false
      await manager.update(
        HandIn,
        { id },
        {
          measurement,
          assessment,
          measureAt: null,
          measureTries: 0,
          measureProblem: null,
          ...(now.state === 'measuring' ? { state: 'waiting' } : {}),
        },
      )
      await manager.save(HandInFigure, { handInId: id, figures })
      const { happenings } = this.from
      const teachers = await happenings.members(manager, assignment.groupId, 'teacher')
      const data = { assignment: assignment.id, handIn: id }
      await happenings.tell(manager, [...teachers, work.personId], 'measured', data)
      return true
    })
    if (!kept) await this.#attempt(id, urgent)
  }

  /** Notes that measuring failed: when it is tried again, or why it is not. */
  async #failed(id: string, error: Error): Promise<void> {
    const pause = await this.database.transaction(async (manager) => {
      const handIn = await manager.findOne(HandIn, { where: { id }, lock: { mode: 'pessimistic_write' } })
      if (!handIn) return null
      const tries = handIn.measureTries + 1
      const wait = this.#pauses[tries - 1]
      if (wait !== undefined) {
        await manager.update(HandIn, id, { measureTries: tries, measureAt: new Date(Date.now() + wait) })
        return wait
      }
      await manager.update(HandIn, id, {
        measureTries: tries,
        measureAt: null,
        measureProblem: problemOf(error),
        // it can be looked at all the same
        ...(handIn.state === 'measuring' ? { state: 'waiting' } : {}),
      })
      const work = await manager.findOneByOrFail(Work, { id: handIn.workId })
      const { groupId } = await manager.findOneByOrFail(Assignment, { id: work.assignmentId })
      const { happenings } = this.from
      const teachers = await happenings.members(manager, groupId, 'teacher')
      const data = { assignment: work.assignmentId, handIn: id }
      await happenings.tell(manager, [...teachers, work.personId], 'measured', data)
      return null
    })
    // where the next try is soon, it need not be found first
    if (pause !== null && pause <= LOOK_MS) setTimeout(() => this.add(id, false), pause).unref()
  }
}

const rest = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))

function problemOf(error: Error): MeasureProblem {
  if (error instanceof TooLong) return 'time'
  // audio that is damaged, and a song that is not there
  return error instanceof RangeError || error instanceof Problem || /audio/i.test(error.message)
    ? 'audio'
    : 'fault'
}
