import type {
  AssignmentCard,
  AssignmentView,
  ExceptionView,
  GroupStanding,
  ModelView,
  TrialView,
} from '@rudlo/contract/assignments'
import { forStudent, type JudgedTask } from '@rudlo/core/brief'
import { readAssessment, readKeptRubric, readMix } from '@rudlo/core/stored'
import type { DataSource } from 'typeorm'
import { isBack } from '../handins/entities'
import { newestOf, newestOfEach, standings, versionsOf } from '../handins/queries'
import { textOf } from '../http/moment'
import { notFound } from '../http/problem'
import type { MeasureQueue } from '../jobs/measure-queue'
import type { StoredMix } from '../jobs/measure-worker'
import type { Group, Person } from '../people/entities'
import type { Songs } from '../songbook/songs'
import { sentBrief, type Briefs } from './briefs'
import { Exception, isOpenTo, type Assignment } from './entities'
import { assignmentsOf, countStudents, exceptionsOf, groupsOfAll, workFor } from './queries'
import { cardView, settingsView, standingView, type Held } from './views'

/** Assignments as those see them who may. */
export class Assignments {
  constructor(
    private readonly database: DataSource,
    private readonly parts: {
      readonly songs: Songs
      readonly briefs: Briefs
      readonly measuring: MeasureQueue
    },
  ) {}

  /** Every assignment that somebody can see by now, newest first, and how far they or their group are. */
  async cards(person: Person): Promise<AssignmentCard[]> {
    const assignments = (await assignmentsOf(this.database, person)).filter((a) => isOpenTo(person, a))
    const groups = await groupsOfAll(this.database, assignments)
    return Promise.all(
      assignments.map(async (assignment) => ({
        ...(await this.#card(assignment, groups, await this.#holds(person, assignment))),
        ...(person.role === 'student'
          ? { mine: await this.#standing(person, assignment) }
          : { counts: await this.#counts(assignment) }),
      })),
    )
  }

  /** An assignment as somebody may know it. */
  async view(person: Person, assignment: Assignment): Promise<AssignmentView> {
    const held = await this.#holds(person, assignment)
    const given = {
      ...(await this.#card(assignment, await groupsOfAll(this.database, [assignment]), held)),
      rubric: readKeptRubric(assignment.rubric),
      startingMix: readMix(assignment.startingMix),
      songVersion: assignment.songVersionId,
      songDocument: await this.parts.songs.version(assignment.songVersionId),
      handInLimit: assignment.handInLimit,
      hasModel: assignment.model !== null && (await this.#mayHearModel(person, assignment)),
    }
    return person.role === 'teacher'
      ? { ...given, brief: held.brief, settings: settingsView(assignment) }
      : { ...given, brief: forStudent(held.brief) }
  }

  /** The model. @throws Problem 404 where there is none, or it may not be heard yet */
  async model(person: Person, assignment: Assignment): Promise<ModelView> {
    if (assignment.model === null || !(await this.#mayHearModel(person, assignment))) throw notFound()
    return { mix: readMix(assignment.model) }
  }

  async exceptions(assignment: Assignment): Promise<ExceptionView[]> {
    return (await exceptionsOf(this.database, assignment)).map(({ dueAt, brief, ...student }) => ({
      ...student,
      dueAt: textOf(dueAt),
      brief: brief === null ? null : this.parts.briefs.of({ brief }),
    }))
  }

  /**
   * Runs a brief against the starting mix, the model and the newest hand-ins: what would be met, and what would change.
   * @throws Problem 400 for a brief that does not do
   */
  async trial(assignment: Assignment, document: object): Promise<TrialView> {
    const { songs, measuring } = this.parts
    const song = await songs.version(assignment.songVersionId)
    const brief = sentBrief(document, song, readMix(assignment.startingMix))
    const start = { mix: assignment.startingMix }
    const run = async (mix: StoredMix): Promise<readonly JudgedTask[]> => {
      const task = { start, mix, brief, more: {}, pictured: false }
      return readAssessment((await measuring.assess(assignment.songVersionId, task)).assessment).tasks
    }
    const newest = await newestOfEach(this.database, assignment.id)
    return {
      start: await run(start),
      model: assignment.model === null ? null : await run({ mix: assignment.model }),
      handIns: await Promise.all(
        newest.map(async ({ student, document: work, assessment }) => ({
          student,
          before: assessment === null ? null : readAssessment(assessment).tasks,
          after: await run({ work }),
        })),
      ),
    }
  }

  async #card(
    assignment: Assignment,
    groups: ReadonlyMap<string, Group>,
    held: Held,
  ): Promise<AssignmentCard> {
    const song = await this.parts.songs.version(assignment.songVersionId)
    return cardView(assignment, groups.get(assignment.groupId), song, held)
  }

  /** What holds for a person: a student may have a brief and a date of their own. */
  async #holds(person: Person, assignment: Assignment): Promise<Held> {
    const { briefs } = this.parts
    return person.role === 'student'
      ? briefs.forPerson(assignment, person.id)
      : { brief: briefs.of(assignment), dueAt: assignment.dueAt }
  }

  /** Whether somebody may hear the model by now. */
  async #mayHearModel({ id: personId, role }: Person, { id, modelHeard }: Assignment): Promise<boolean> {
    if (role === 'teacher') return true
    if (modelHeard === 'never') return false
    const work = await workFor(this.database, id, personId)
    const versions = work ? await versionsOf(this.database, work.id) : []
    return versions.some((v) => modelHeard === 'handed in' || isBack(v))
  }

  async #standing({ id: personId }: Person, { id }: Assignment) {
    const work = await workFor(this.database, id, personId)
    const own = await this.database.getRepository(Exception).findOneBy({ assignmentId: id, personId })
    return standingView(work, work && (await newestOf(this.database.manager, work.id)), Boolean(own?.dueAt))
  }

  /** How far a group is: the newest hand-in of each student counts. */
  async #counts({ id, groupId }: Assignment): Promise<GroupStanding> {
    const counts = await standings(this.database, id)
    return {
      students: await countStudents(this.database, groupId),
      waiting: counts.waiting + counts.measuring,
      held: counts.held,
      givenBack: counts['given back'],
    }
  }
}
