import { forStudent, type Brief } from '@rudlo/core/brief'
import type { Mix } from '@rudlo/core/mix'
import { IsObject } from 'class-validator'
import { In } from 'typeorm'
import { Assignment, isOpenTo } from './assignment.entity'
import { completeRubric, readRubric, type Rubric } from '@rudlo/core/rubric'
import { HandIn, isBack, stateFor } from '../handins/hand-in.entity'
import { badInput, notFound } from '../http/problem'
import { AsSent } from '../http/as-sent'
import { route, routeWithBody, type Route } from '../http/route'
import { Group, Membership } from '../people/group.entity'
import type { Person } from '../people/person.entity'
import type { StoredMix } from '../jobs/measure-worker'
import type { Services } from '../services'
import { Work } from '../works/work.entity'
import { sentBrief } from './briefs'
import { ChangedAssignmentBody, ExceptionBody, NewAssignmentBody } from './writing'

class MixBody {
  @AsSent()
  @IsObject({ message: 'The mix is missing' })
  mix!: object
}

class RubricBody {
  @AsSent()
  @IsObject({ message: 'The rubric is missing' })
  rubric!: object
}

class TrialBody {
  @AsSent()
  @IsObject({ message: 'The brief is missing' })
  brief!: object
}

/** Room for two mixes with as many points as there can be, and a brief; more would hold up everybody while it is read. */
const WRITING_LIMIT = 3 * 1024 * 1024

export function assignmentRoutes(services: Services): Route[] {
  const { database, permissions, songs, bundles, briefs, writing, handIns } = services
  const ofPerson = (person: Person) =>
    database
      .getRepository(Assignment)
      .createQueryBuilder('a')
      .innerJoin(Membership, 'm', 'm.group_id = a.group_id AND m.person_id = :id AND m.role = :role', {
        id: person.id,
        role: person.role,
      })
      .orderBy('a.created_at', 'DESC')
      .getMany()

  const groupsOf = async (assignments: readonly Assignment[]) => {
    const groups = await database.getRepository(Group).findBy({ id: In(assignments.map((a) => a.groupId)) })
    return new Map(groups.map((g) => [g.id, g]))
  }

  const cardOf = async (
    assignment: Assignment,
    groups: Map<string, Group>,
    { brief, dueAt }: { readonly brief: Brief; readonly dueAt: Date | null },
  ) => {
    const song = await songs.version(assignment.songVersionId)
    return {
      id: assignment.id,
      title: assignment.title,
      purpose: brief.purpose,
      tasks: brief.tasks.map((t) => t.title),
      song: song.title,
      group: groups.get(assignment.groupId)?.name ?? '',
      place: groups.get(assignment.groupId)?.place ?? '',
      dueAt,
      opensAt: assignment.opensAt,
    }
  }

  return [
    route('get', '/api/assignments', 'signed-in', async ({ person }) => {
      const assignments = (await ofPerson(person)).filter((a) => isOpenTo(person, a))
      const groups = await groupsOf(assignments)
      return Promise.all(
        assignments.map(async (assignment) => ({
          ...(await cardOf(assignment, groups, await holds(person, assignment))),
          ...(person.role === 'student'
            ? { mine: await standing(person, assignment) }
            : { counts: await counts(assignment) }),
        })),
      )
    }),

    route('get', '/api/assignments/:assignment', 'signed-in', async ({ person, param }) => {
      const assignment = await permissions.assignment(person, param('assignment'))
      const held = await holds(person, assignment)
      return {
        ...(await cardOf(assignment, await groupsOf([assignment]), held)),
        brief: person.role === 'teacher' ? held.brief : forStudent(held.brief),
        rubric: completeRubric(JSON.parse(assignment.rubric) as Rubric),
        startingMix: JSON.parse(assignment.startingMix) as unknown,
        songVersion: assignment.songVersionId,
        songDocument: await songs.version(assignment.songVersionId),
        handInLimit: assignment.handInLimit,
        hasModel:
          assignment.model !== null &&
          (person.role === 'teacher' || (await mayHearModel(person, assignment))),
        ...(person.role === 'teacher' ? { settings: settingsOf(assignment) } : {}),
      }
    }),

    routeWithBody(
      'post',
      '/api/assignments',
      'teacher',
      NewAssignmentBody,
      async ({ person, body }) => ({ id: (await writing.create(person, body)).id }),
      WRITING_LIMIT,
    ),

    routeWithBody(
      'put',
      '/api/assignments/:assignment',
      'teacher',
      ChangedAssignmentBody,
      async ({ person, param, body }) =>
        writing.change(person, await permissions.assignment(person, param('assignment')), body),
      WRITING_LIMIT,
    ),

    route('get', '/api/assignments/:assignment/model', 'signed-in', async ({ person, param }) => {
      const assignment = await permissions.assignment(person, param('assignment'))
      const may = person.role === 'teacher' || (await mayHearModel(person, assignment))
      if (assignment.model === null || !may) throw notFound()
      return { mix: JSON.parse(assignment.model) as unknown }
    }),

    routeWithBody(
      'put',
      '/api/assignments/:assignment/model',
      'teacher',
      MixBody,
      async ({ person, param, body }) => {
        await writing.setModel(person, await permissions.assignment(person, param('assignment')), body.mix)
        return null
      },
      WRITING_LIMIT,
    ),

    routeWithBody(
      'put',
      '/api/assignments/:assignment/rubric',
      'teacher',
      RubricBody,
      async ({ person, param, body }) => {
        const assignment = await permissions.assignment(person, param('assignment'))
        await writing.setRubric(person, assignment, rubricFrom(body.rubric))
        return null
      },
    ),

    routeWithBody(
      'post',
      '/api/assignments/:assignment/trial',
      'teacher',
      TrialBody,
      async ({ person, param, body }) => {
        const assignment = await permissions.assignment(person, param('assignment'))
        const song = await songs.version(assignment.songVersionId)
        const start = JSON.parse(assignment.startingMix) as Mix
        return tryBrief(services, assignment, sentBrief(body.brief, song, start))
      },
      WRITING_LIMIT,
    ),

    route('post', '/api/assignments/:assignment/remeasure', 'teacher', async ({ person, param }) => {
      const assignment = await permissions.assignment(person, param('assignment'))
      return { count: await handIns.remeasure(person, assignment) }
    }),

    route('get', '/api/assignments/:assignment/exceptions', 'teacher', async ({ person, param }) => {
      const { id, groupId } = await permissions.assignment(person, param('assignment'))
      const students: { id: string; name: string; dueAt: Date | null; brief: string | null }[] =
        await database.query(
          `SELECT p.id, p.name, e.due_at AS dueAt, e.brief FROM memberships m JOIN people p ON p.id = m.person_id
             LEFT JOIN exceptions e ON e.person_id = p.id AND e.assignment_id = ?
            WHERE m.group_id = ? AND m.role = 'student' ORDER BY p.name`,
          [id, groupId],
        )
      return students.map((s) => ({ ...s, brief: s.brief && briefs.of({ brief: s.brief }) }))
    }),

    routeWithBody(
      'put',
      '/api/assignments/:assignment/exceptions/:person',
      'teacher',
      ExceptionBody,
      async ({ person, param, body }) => {
        const assignment = await permissions.assignment(person, param('assignment'))
        await writing.except(person, assignment, param('person'), body)
        return null
      },
      WRITING_LIMIT,
    ),

    route('get', '/api/assignments/:assignment/bundle', 'teacher', async ({ person, param }) => {
      const { songVersionId, startingMix, title } = await permissions.assignment(person, param('assignment'))
      return bundles.answer(songVersionId, JSON.parse(startingMix) as Mix, title)
    }),
  ]

  /** What holds for a person: a student may have a brief and a date of their own. */
  function holds(person: Person, assignment: Assignment) {
    return person.role === 'student'
      ? briefs.forPerson(assignment, person.id)
      : Promise.resolve({ brief: briefs.of(assignment), dueAt: assignment.dueAt })
  }

  /** Whether a student may hear the model by now. */
  async function mayHearModel(person: Person, { id, modelHeard }: Assignment): Promise<boolean> {
    if (modelHeard === 'never') return false
    const work = await database.getRepository(Work).findOneBy({ assignmentId: id, personId: person.id })
    if (!work) return false
    const versions = await database.getRepository(HandIn).findBy({ workId: work.id })
    return versions.some((v) => modelHeard === 'handed in' || isBack(v))
  }

  /** How far a student is. */
  async function standing(person: Person, assignment: Assignment) {
    const work = await database
      .getRepository(Work)
      .findOneBy({ assignmentId: assignment.id, personId: person.id })
    const last =
      work &&
      (await database
        .getRepository(HandIn)
        .findOne({ where: { workId: work.id }, order: { number: 'DESC' } }))
    return {
      begun: work !== null && work.revision > 1,
      handIn: last && {
        id: last.id,
        number: last.number,
        state: stateFor('student', last),
        outcome: isBack(last) ? last.outcome : null,
      },
      changedSince: last !== null && work !== null && work.revision > last.revision,
    }
  }

  /** How far a group is: the newest hand-in of each student counts. */
  async function counts(assignment: Assignment) {
    const students = await database
      .getRepository(Membership)
      .countBy({ groupId: assignment.groupId, role: 'student' })
    const rows: { state: string; n: string }[] = await database.query(
      `SELECT h.state AS state, COUNT(*) AS n FROM hand_ins h JOIN works w ON w.id = h.work_id
        WHERE w.assignment_id = ? AND h.number = (SELECT MAX(number) FROM hand_ins x WHERE x.work_id = h.work_id)
        GROUP BY h.state`,
      [assignment.id],
    )
    const of = (state: string) => Number(rows.find((r) => r.state === state)?.n ?? 0)
    return { students, waiting: of('waiting') + of('measuring'), givenBack: of('given back') + of('held') }
  }
}

/** @throws Problem 400 with the core's sentence */
function rubricFrom(document: unknown): Rubric {
  try {
    return readRubric(document)
  } catch (error) {
    throw badInput((error as Error).message)
  }
}

/** What only the teacher sets and sees. */
function settingsOf({ revision, modelHeard, opensAt, dueAt, handInLimit, groupId }: Assignment) {
  return { revision, modelHeard, opensAt, dueAt, handInLimit, group: groupId }
}

/** Runs a brief against the starting mix, the model and the newest hand-ins: what would be met, and what would change. */
async function tryBrief({ database, measuring }: Services, assignment: Assignment, brief: Brief) {
  const start = { mix: assignment.startingMix }
  const run = async (mix: StoredMix) =>
    (await measuring.assess(assignment.songVersionId, { start, mix, brief, more: {} })).assessment.tasks
  const newest: { student: string; document: string; assessment: string | null }[] = await database.query(
    `SELECT p.name AS student, h.document, h.assessment FROM hand_ins h JOIN works w ON w.id = h.work_id
       JOIN people p ON p.id = w.person_id
      WHERE w.assignment_id = ? AND h.number = (SELECT MAX(number) FROM hand_ins x WHERE x.work_id = h.work_id)
      ORDER BY p.name`,
    [assignment.id],
  )
  return {
    start: await run(start),
    model: assignment.model === null ? null : await run({ mix: assignment.model }),
    handIns: await Promise.all(
      newest.map(async ({ student, document, assessment }) => {
        const after = await run({ work: document })
        const before = assessment === null ? null : (JSON.parse(assessment) as { tasks: unknown }).tasks
        return { student, before, after }
      }),
    ),
  }
}
