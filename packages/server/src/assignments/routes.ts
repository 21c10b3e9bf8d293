import type { Mix } from '@rudlo/core/mix'
import { In } from 'typeorm'
import { Assignment } from './assignment.entity'
import type { Brief, Rubric } from './brief'
import { HandIn } from '../handins/hand-in.entity'
import { route, type Route } from '../http/route'
import { Group, Membership } from '../people/group.entity'
import type { Person } from '../people/person.entity'
import type { Services } from '../services'
import { Work } from '../works/work.entity'

export function assignmentRoutes({ database, permissions, songs, bundles }: Services): Route[] {
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

  const cardOf = async (assignment: Assignment, groups: Map<string, Group>) => {
    const song = await songs.version(assignment.songVersionId)
    return {
      id: assignment.id,
      title: assignment.title,
      purpose: (JSON.parse(assignment.brief) as Brief).purpose,
      tasks: (JSON.parse(assignment.brief) as Brief).tasks.map((t) => t.title),
      song: song.title,
      group: groups.get(assignment.groupId)?.name ?? '',
      place: groups.get(assignment.groupId)?.place ?? '',
      dueAt: assignment.dueAt,
    }
  }

  return [
    route('get', '/api/assignments', 'signed-in', async ({ person }) => {
      const assignments = await ofPerson(person)
      const groups = await groupsOf(assignments)
      return Promise.all(
        assignments.map(async (assignment) => ({
          ...(await cardOf(assignment, groups)),
          ...(person.role === 'student'
            ? { mine: await standing(person, assignment) }
            : { counts: await counts(assignment) }),
        })),
      )
    }),

    route('get', '/api/assignments/:assignment', 'signed-in', async ({ person, param }) => {
      const assignment = await permissions.assignment(person, param('assignment'))
      return {
        ...(await cardOf(assignment, await groupsOf([assignment]))),
        brief: JSON.parse(assignment.brief) as Brief,
        rubric: JSON.parse(assignment.rubric) as Rubric,
        startingMix: JSON.parse(assignment.startingMix) as unknown,
        songVersion: assignment.songVersionId,
        songDocument: await songs.version(assignment.songVersionId),
      }
    }),

    route('get', '/api/assignments/:assignment/bundle', 'teacher', async ({ person, param }) => {
      const { songVersionId, startingMix, title } = await permissions.assignment(person, param('assignment'))
      return bundles.answer(songVersionId, JSON.parse(startingMix) as Mix, title)
    }),
  ]

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
        state: last.state,
        outcome: last.state === 'given back' ? last.outcome : null,
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
    return { students, waiting: of('waiting') + of('measuring'), givenBack: of('given back') }
  }
}
