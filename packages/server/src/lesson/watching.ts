import type { DataSource } from 'typeorm'
import type { Log } from '../http/log'
import type { Happenings } from '../live/happenings'
import { Work } from '../works/entities'

/** So often it is looked whether a work has grown that somebody looks at. */
const LOOK_MS = 1000
/** Whoever has not asked for a work for so long looks at it no more. */
const KEEP_MS = 45_000

interface Watched {
  readonly assignment: string
  readonly student: string
  /** The revision that all of them know, or were told of. */
  revision: number
  /** Teachers who look at it, and until when they do unless they ask again. */
  readonly teachers: Map<string, number>
}

/**
 * Works that teachers look at just now. They are told when one has grown, on whichever server it was saved; nothing is asked of
 * the database while nobody looks at anything.
 */
export class Watching {
  readonly #watched = new Map<string, Watched>()
  #timer: ReturnType<typeof setTimeout> | null = null
  #closed = false

  constructor(
    private readonly database: DataSource,
    private readonly happenings: Happenings,
    private readonly log: Log,
  ) {}

  /** A teacher looks at a work, and knows it as of a revision. */
  watch(teacher: string, assignment: string, student: string, revision: number): void {
    const key = `${assignment} ${student}`
    const watched = this.#watched.get(key) ?? { assignment, student, revision, teachers: new Map() }
    watched.teachers.set(teacher, Date.now() + KEEP_MS)
    this.#watched.set(key, watched)
    if (!this.#closed) this.#timer ??= setTimeout(() => void this.#look(), LOOK_MS)
  }

  close(): void {
    this.#closed = true
    if (this.#timer) clearTimeout(this.#timer)
  }

  async #look(): Promise<void> {
    try {
      this.#forget()
      await this.#tell()
    } catch (error) {
      this.log.error({ reason: (error as Error).message }, 'looking at works failed')
    }
    this.#timer = this.#watched.size && !this.#closed ? setTimeout(() => void this.#look(), LOOK_MS) : null
  }

  #forget(): void {
    const now = Date.now()
    for (const [key, { teachers }] of this.#watched) {
      for (const [teacher, until] of teachers) if (until < now) teachers.delete(teacher)
      if (!teachers.size) this.#watched.delete(key)
    }
  }

  async #tell(): Promise<void> {
    const all = [...this.#watched.values()]
    if (!all.length) return
    const works = await this.database.getRepository(Work).find({
      select: { assignmentId: true, personId: true, revision: true },
      where: all.map((w) => ({ assignmentId: w.assignment, personId: w.student })),
    })
    for (const { assignmentId, personId, revision } of works) {
      const watched = this.#watched.get(`${assignmentId} ${personId}`)
      if (!watched || revision <= watched.revision) continue
      watched.revision = revision
      const data = { assignment: assignmentId, handIn: '' }
      await this.happenings.tell(this.database.manager, [...watched.teachers.keys()], 'work', data)
    }
  }
}
