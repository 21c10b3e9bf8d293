import { randomUUID } from 'node:crypto'
import type { Mix } from '@rudlo/core/mix'
import { USUAL_RUBRIC, type Rubric } from '@rudlo/core/rubric'
import {
  IsBoolean,
  IsIn,
  IsInt,
  IsObject,
  IsOptional,
  IsString,
  Length,
  Matches,
  Max,
  Min,
} from 'class-validator'
import type { DataSource } from 'typeorm'
import { AsSent } from '../http/as-sent'
import { breath } from '../http/breath'
import { IsId, IsMoment } from '../http/fields'
import { badInput, notFound, notNow } from '../http/problem'
import { Membership } from '../people/group.entity'
import type { Person } from '../people/person.entity'
import { leaveTrail } from '../people/trail'
import type { Songs } from '../songbook/songs'
import { Assignment, MODEL_HEARD, type ModelHeard } from './assignment.entity'
import { sentBrief, sentMix } from './briefs'
import { Exception } from './exception.entity'
import type { SeveralGroups } from './several-groups'

/** What a teacher sets of an assignment. */
export class AssignmentBody {
  @IsString()
  @Length(1, 200, { message: 'The assignment needs a title of at most 200 characters' })
  @Matches(/\S/, { message: 'The assignment needs a title' })
  title!: string

  @AsSent()
  @IsObject({ message: 'The brief is missing' })
  brief!: object

  @IsIn(MODEL_HEARD, { message: 'Say from when on the model may be heard' })
  modelHeard!: ModelHeard

  @IsMoment('The date on which it opens is not a date')
  opensAt!: string | null

  @IsMoment('The due date is not a date')
  dueAt!: string | null

  @IsOptional()
  @IsInt({ message: 'The number of hand-ins must be a whole number' })
  @Min(1, { message: 'At least one hand-in must be allowed' })
  @Max(100, { message: 'At most 100 hand-ins can be allowed' })
  handInLimit!: number | null
}

export class NewAssignmentBody extends AssignmentBody {
  @IsId()
  group!: string

  @IsId()
  songVersion!: string

  @AsSent()
  @IsObject({ message: 'The starting mix is missing' })
  startingMix!: object

  @AsSent()
  @IsOptional()
  @IsObject()
  model?: object | null
}

export class ChangedAssignmentBody extends AssignmentBody {
  /** The revision that this change follows. */
  @IsInt()
  @Min(1)
  @Max(4e9)
  revision!: number

  @AsSent()
  @IsOptional()
  @IsObject()
  startingMix?: object

  /** Whether the other groups that it was given to get the change as well. */
  @IsOptional()
  @IsBoolean()
  everywhere?: boolean
}

export class ExceptionBody {
  @IsMoment('The due date is not a date')
  dueAt!: string | null

  @AsSent()
  @IsOptional()
  @IsObject()
  brief!: object | null
}

const dateOf = (text: string | null | undefined) => (text ? new Date(text) : null)

/** Writing assignments: what a teacher may change, and when. */
export class AssignmentWriting {
  constructor(
    private readonly database: DataSource,
    private readonly songs: Songs,
    private readonly severalGroups: SeveralGroups,
  ) {}

  /** Gives a group an assignment. @throws Problem where the group is not the teacher's or empty, or something is wrong */
  async create(person: Person, body: NewAssignmentBody): Promise<Assignment> {
    const members = this.database.getRepository(Membership)
    if (!(await members.findOneBy({ groupId: body.group, personId: person.id, role: 'teacher' })))
      throw notFound()
    if (!(await members.countBy({ groupId: body.group, role: 'student' })))
      throw badInput('This group has no students yet: nobody would get it. Add students first.')
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
      rubric: JSON.stringify(USUAL_RUBRIC),
      model: modelText,
      createdAt: new Date(),
      revision: 1,
      ...this.#settings(body, JSON.stringify(sentBrief(body.brief, song, mix))),
    })
    await this.database.transaction(async (manager) => {
      await manager.insert(Assignment, assignment)
      await leaveTrail(manager, person.id, 'assigned', assignment.id)
    })
    return assignment
  }

  /** Changes an assignment. Hand-ins keep the brief that they were made for. @throws Problem 409 where it was changed */
  async change(
    person: Person,
    assignment: Assignment,
    body: ChangedAssignmentBody,
  ): Promise<{ revision: number; others: number }> {
    const song = await this.songs.version(assignment.songVersionId)
    const mix = body.startingMix
      ? sentMix(body.startingMix, song)
      : (JSON.parse(assignment.startingMix) as Mix)
    await breath()
    const brief = JSON.stringify(sentBrief(body.brief, song, mix))
    const settings = this.#settings(body, brief)
    await breath()
    const startingMix = JSON.stringify(mix)
    const others = await this.database.transaction(async (manager) => {
      const changed = await manager.update(
        Assignment,
        { id: assignment.id, revision: body.revision },
        { ...settings, startingMix, revision: body.revision + 1 },
      )
      if (!changed.affected)
        throw notNow(
          'Somebody else has changed this assignment in the meantime: open it again to see how it is now.',
        )
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

  #settings(body: AssignmentBody, brief: string) {
    const [opensAt, dueAt] = [dateOf(body.opensAt), dateOf(body.dueAt)]
    if (opensAt && dueAt && dueAt <= opensAt) throw badInput('It would be due before it opens.')
    return {
      title: body.title.trim(),
      brief,
      modelHeard: body.modelHeard,
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

  /** Changes what hand-ins are marked by. Marks on lines or levels that are gone are not shown any more. */
  async setRubric(person: Person, assignment: Assignment, rubric: Rubric): Promise<void> {
    await this.database.transaction(async (manager) => {
      await manager.update(Assignment, assignment.id, { rubric: JSON.stringify(rubric) })
      await leaveTrail(manager, person.id, 'changed the rubric', assignment.id)
    })
  }

  /** More time or a simpler brief for one student; neither takes the exception away. */
  async except(person: Person, assignment: Assignment, personId: string, body: ExceptionBody): Promise<void> {
    const key = { groupId: assignment.groupId, personId, role: 'student' as const }
    if (!(await this.database.getRepository(Membership).findOneBy(key))) throw notFound()
    const song = await this.songs.version(assignment.songVersionId)
    const mix = JSON.parse(assignment.startingMix) as Mix
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
