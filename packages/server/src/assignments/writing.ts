import { words } from '@rudlo/words'
import { randomUUID } from 'node:crypto'
import type {
  AssignmentSettings,
  ChangedAssignment,
  ChangeKept,
  Extension,
  NewAssignment,
  StudentException,
} from '@rudlo/contract/assignments'
import { usualRubric } from '@rudlo/core/rubric'
import { readMix } from '@rudlo/core/stored'
import { In, IsNull, Not, type DataSource } from 'typeorm'
import { breath } from '../http/breath'
import { badInput, notFound, notNow } from '../http/problem'
import { Group, Membership, type Person } from '../people/entities'
import { leaveTrail } from '../people/trail'
import type { Songs } from '../songbook/songs'
import { Assignment, Exception } from './entities'
import { dateOf } from '../http/moment'
import { sentBrief, sentMix, sentRubric } from './briefs'
import type { SeveralGroups } from './several-groups'

/** Writing assignments: what a teacher may change, and when. */
export class AssignmentWriting {
  constructor(
    private readonly database: DataSource,
    private readonly songs: Songs,
    private readonly severalGroups: SeveralGroups,
  ) {}

  /** Gives a group an assignment. @throws Problem where the group is not the teacher's or empty, or something is wrong */
  async create(person: Person, body: NewAssignment): Promise<Assignment> {
    const members = this.database.getRepository(Membership)
    if (!(await members.findOneBy({ groupId: body.group, personId: person.id, role: 'teacher' })))
      throw notFound()
    if (await this.database.getRepository(Group).existsBy({ id: body.group, endedAt: Not(IsNull()) }))
      throw notNow(words('work.term-ended'))
    if (!(await members.countBy({ groupId: body.group, role: 'student' })))
      throw badInput(words('assignment.class-no-students'))
    const song = await this.songs.version(body.songVersion)
    // each step takes its time where mixes are large
    const mix = sentMix(body.startingMix, song)
    await breath()
    const startingMix = JSON.stringify(mix)
    await breath()
    const model = body.model ? sentMix(body.model, song) : null
    await breath()
    const modelText = model && JSON.stringify(model)
    await breath()
    const assignment = this.database.getRepository(Assignment).create({
      id: randomUUID(),
      groupId: body.group,
      songVersionId: body.songVersion,
      startingMix,
      rubric: JSON.stringify(usualRubric()),
      model: modelText,
      createdAt: new Date(),
      revision: 1,
      ...this.#settings(body, JSON.stringify(sentBrief(body.brief, song, mix)), false),
    })
    await this.database.transaction(async (manager) => {
      await manager.insert(Assignment, assignment)
      await leaveTrail(manager, person.id, 'assigned', assignment.id)
    })
    return assignment
  }

  /** Changes an assignment. Hand-ins keep the brief that they were made for. @throws Problem 409 where it was changed */
  async change(person: Person, assignment: Assignment, body: ChangedAssignment): Promise<ChangeKept> {
    const song = await this.songs.version(assignment.songVersionId)
    const mix = body.startingMix ? sentMix(body.startingMix, song) : readMix(assignment.startingMix)
    await breath()
    const brief = JSON.stringify(sentBrief(body.brief, song, mix))
    const settings = this.#settings(body, brief, assignment.draft)
    await breath()
    const startingMix = JSON.stringify(mix)
    const others = await this.database.transaction(async (manager) => {
      const changed = await manager.update(
        Assignment,
        { id: assignment.id, revision: body.revision },
        { ...settings, startingMix, revision: body.revision + 1 },
      )
      if (!changed.affected) throw notNow(words('assignment.somebody-else-changed'))
      await leaveTrail(manager, person.id, 'changed the assignment', assignment.id)
      if (!body.everywhere) return 0
      const { title, modelHeard, handInLimit } = settings
      // a rubric belongs to the marks that a group has already; a model that is missing takes none away
      const model = assignment.model === null ? {} : { model: assignment.model }
      const common = { title, brief, modelHeard, handInLimit, startingMix, ...model }
      return this.severalGroups.follow(manager, person, assignment, common)
    })
    return { revision: body.revision + 1, others }
  }

  /** What is kept of the settings; whether it is a draft stays as it was where nothing is said of it. */
  #settings(body: AssignmentSettings, brief: string, draft: boolean) {
    const [opensAt, dueAt] = [dateOf(body.opensAt), dateOf(body.dueAt)]
    const isDraft = body.draft ?? draft
    // a draft may say the one date before the other is thought about
    if (!isDraft && opensAt && dueAt && dueAt <= opensAt)
      throw badInput(words('assignment.due-date-before-opening'))
    return {
      title: body.title.trim(),
      brief,
      modelHeard: body.modelHeard,
      draft: isDraft,
      opensAt,
      dueAt,
      handInLimit: body.handInLimit ?? null,
    }
  }

  /** Keeps a mix as the model. */
  async setModel(person: Person, assignment: Assignment, document: unknown): Promise<void> {
    const mix = sentMix(document, await this.songs.version(assignment.songVersionId))
    await this.database.transaction(async (manager) => {
      await manager.update(Assignment, assignment.id, { model: JSON.stringify(mix) })
      await leaveTrail(manager, person.id, 'set the model', assignment.id)
    })
  }

  /** Changes what hand-ins are marked by. Marks on lines or levels that are gone are not shown any more. @throws Problem 400 */
  async setRubric(person: Person, assignment: Assignment, document: object): Promise<void> {
    const rubric = sentRubric(document)
    await this.database.transaction(async (manager) => {
      await manager.update(Assignment, assignment.id, { rubric: JSON.stringify(rubric) })
      await leaveTrail(manager, person.id, 'changed the rubric', assignment.id)
    })
  }

  /** More time for some students, or the date of the assignment again. @returns how many of the class they are */
  async extend(person: Person, assignment: Assignment, { students, dueAt }: Extension): Promise<number> {
    const date = dateOf(dueAt)
    return this.database.transaction(async (manager) => {
      const known = await manager.findBy(Membership, {
        groupId: assignment.groupId,
        personId: In([...students]),
        role: 'student',
      })
      for (const { personId } of known) {
        const key = { assignmentId: assignment.id, personId }
        const before = await manager.findOneBy(Exception, key)
        // a brief of their own stays theirs
        if (date || before?.brief)
          await manager.save(Exception, { brief: null, ...before, ...key, dueAt: date })
        else await manager.delete(Exception, key)
      }
      await leaveTrail(manager, person.id, 'made an exception', assignment.id)
      return known.length
    })
  }

  /** More time or a simpler brief for one student; neither takes the exception away. @throws Problem 404 for nobody of the class */
  async except(
    person: Person,
    assignment: Assignment,
    personId: string,
    body: StudentException,
  ): Promise<void> {
    const key = { groupId: assignment.groupId, personId, role: 'student' as const }
    if (!(await this.database.getRepository(Membership).findOneBy(key))) throw notFound()
    const song = await this.songs.version(assignment.songVersionId)
    const mix = readMix(assignment.startingMix)
    const brief = body.brief ? JSON.stringify(sentBrief(body.brief, song, mix)) : null
    const dueAt = dateOf(body.dueAt)
    await this.database.transaction(async (manager) => {
      await manager.delete(Exception, { assignmentId: assignment.id, personId })
      if (brief || dueAt)
        await manager.insert(Exception, { assignmentId: assignment.id, personId, brief, dueAt })
      await leaveTrail(manager, person.id, 'made an exception', assignment.id)
    })
  }
}
