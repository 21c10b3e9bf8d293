import { words } from '@rudlo/words'
import type { BenchPresence, LessonView, LiveWorkView, PointedPlace } from '@rudlo/contract/lesson'
import { resolve } from '@rudlo/core/mix'
import { readMix } from '@rudlo/core/stored'
import type { DataSource } from 'typeorm'
import type { Assignment } from '../assignments/entities'
import { workFor } from '../assignments/queries'
import { workNow } from '../works/documents'
import { badInput, notFound } from '../http/problem'
import type { Happenings } from '../live/happenings'
import { Membership, type Group, type Person } from '../people/entities'
import type { Songs } from '../songbook/songs'
import { Presence } from './entities'
import { presencesOf } from './queries'
import { inLessonView } from './views'
import type { Watching } from './watching'

/** A bench that was not heard of for so long was closed. */
const AWAY_MS = 20_000

/** Who is where during a lesson, who wants help, and places that are pointed at. */
export class Lessons {
  constructor(
    private readonly database: DataSource,
    private readonly parts: {
      readonly happenings: Happenings
      readonly songs: Songs
      readonly watching: Watching
    },
  ) {}

  /** Notes where a student is. Teachers are told what is new about it: a task, help that is wanted or not any more. */
  async note(person: Person, assignment: Assignment, at: BenchPresence): Promise<void> {
    const { happenings } = this.parts
    const key = { personId: person.id, groupId: assignment.groupId }
    const before = await this.database.getRepository(Presence).findOneBy(key)
    const now = new Date()
    const same = before?.assignmentId === assignment.id && before.task === at.task
    await this.database.transaction(async (manager) => {
      await manager.save(Presence, {
        ...key,
        assignmentId: assignment.id,
        task: at.task,
        seenAt: now,
        actedAt: at.acted || !same ? now : before.actedAt,
        helpAt: at.help ? (before?.helpAt ?? now) : null,
        shows: at.shows,
      })
      const wants = at.help !== Boolean(before?.helpAt)
      const isNews = !same || at.shows !== before.shows || Number(now) - Number(before.seenAt) > AWAY_MS
      if (!wants && !isNews) return
      const teachers = await happenings.members(manager, assignment.groupId, 'teacher')
      const data = { assignment: assignment.id, handIn: '' }
      await happenings.tell(manager, teachers, wants ? 'help' : 'presence', data)
    })
  }

  async view({ id }: Group): Promise<LessonView> {
    const students = (await presencesOf(this.database, id)).map(inLessonView)
    return { now: new Date().toISOString(), students }
  }

  /**
   * A student's work as it is now; the teacher is told when it grows.
   * @param known the revision that is known: most looks find nothing new
   */
  async work(
    teacher: Person,
    { id }: Assignment,
    student: string,
    known: number | undefined,
  ): Promise<LiveWorkView> {
    const work = await workFor(this.database, id, student)
    if (!work) throw notFound()
    if (known === work.revision) {
      this.parts.watching.watch(teacher.id, id, student, known)
      return { revision: known, mix: null }
    }
    const { revision, document } = await workNow(this.database, work.id)
    this.parts.watching.watch(teacher.id, id, student, revision)
    return { revision, mix: document.mix }
  }

  /** Shows a place to a student, or to all. @throws Problem 400 for a place outside the song, 404 for nobody */
  async point(assignment: Assignment, { from, to, person, lane: sentLane }: PointedPlace): Promise<void> {
    const { happenings, songs } = this.parts
    const song = await songs.version(assignment.songVersionId)
    if (to < from || to > song.length) throw badInput(words('lesson-now.place-lie-inside'))
    const lane = sentLane && resolve(readMix(assignment.startingMix), sentLane) ? sentLane : null
    await this.database.transaction(async (manager) => {
      const students = await happenings.members(manager, assignment.groupId, 'student')
      const whom = person ? students.filter((s) => s === person) : students
      if (!whom.length) throw notFound()
      const data = { assignment: assignment.id, handIn: '', own: Boolean(person), lane, from, to }
      await happenings.tell(manager, whom, 'point', data)
      // help that was given is no longer wanted
      if (person)
        await manager.update(Presence, { personId: person, groupId: assignment.groupId }, { helpAt: null })
    })
  }

  /** Help was given. @throws Problem 404 for somebody of another group */
  async helped({ id: groupId }: Group, personId: string): Promise<void> {
    const key = { groupId, personId }
    if (!(await this.database.getRepository(Membership).findOneBy(key))) throw notFound()
    await this.database.transaction(async (manager) => {
      await manager.update(Presence, key, { helpAt: null })
      await this.parts.happenings.tell(manager, [personId], 'helped', { assignment: '', handIn: '' })
    })
  }
}
