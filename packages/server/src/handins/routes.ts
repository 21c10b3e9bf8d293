import type { WorkDocument } from '@rudlo/core/mix'
import {
  ArrayMaxSize,
  IsArray,
  IsIn,
  IsInt,
  IsOptional,
  IsString,
  Max,
  MaxLength,
  Min,
} from 'class-validator'
import { badInput } from '../http/problem'
import { route, routeWithBody, type Route } from '../http/route'
import { Person } from '../people/person.entity'
import type { Services } from '../services'
import { OpenedHint } from '../works/opened-hint.entity'
import type { Outcome } from './hand-in.entity'
import { handInView, reviewView } from './views'

class HandInBody {
  @IsInt()
  @Min(1)
  @Max(4e9)
  revision!: number

  @IsOptional()
  @IsString()
  @MaxLength(400, { message: 'One line is enough: at most 400 characters' })
  said?: string

  @IsOptional()
  @IsArray()
  @ArrayMaxSize(128)
  @IsString({ each: true })
  @MaxLength(64, { each: true })
  writing?: string[]
}

class GiveBackBody {
  @IsIn(['accepted', 'again'], { message: 'Say whether it is accepted or wanted again' })
  outcome!: Outcome
}

const STATES = ['measuring', 'waiting', 'given back']

export function handInRoutes({ database, permissions, handIns, bundles }: Services): Route[] {
  return [
    routeWithBody(
      'post',
      '/api/works/:work/hand-ins',
      'student',
      HandInBody,
      async ({ person, param, body }) =>
        handInView(
          await handIns.handIn(person, param('work'), {
            revision: body.revision,
            said: body.said ?? '',
            writing: body.writing ?? [],
          }),
        ),
    ),

    route('get', '/api/works/:work/hand-ins', 'signed-in', async ({ person, param }) => {
      const { id } = await permissions.ownWork(person, param('work'))
      const versions = await handIns.ofWork(id)
      return Promise.all(
        versions.map(async (v) => ({ ...handInView(v), review: await reviewView(database, v, 'student') })),
      )
    }),

    route('get', '/api/hand-ins/:handIn/bundle', 'signed-in', async ({ person, param }) => {
      const { handIn, assignment } = await permissions.handIn(person, param('handIn'))
      const { mix } = JSON.parse(handIn.document) as WorkDocument
      return bundles.answer(handIn.songVersionId, mix, `${assignment.title}, version ${handIn.number}`)
    }),

    route('get', '/api/assignments/:assignment/hand-ins', 'teacher', async ({ person, param, query }) => {
      const { id } = await permissions.assignment(person, param('assignment'))
      const state = query('state')
      if (state !== undefined && !STATES.includes(state))
        throw badInput('There is no such state of a hand-in.')
      return database.query(
        `SELECT h.id, h.number, h.state, h.outcome, h.handed_in_at AS handedInAt, p.name AS student,
                h.number = (SELECT MAX(number) FROM hand_ins x WHERE x.work_id = h.work_id) AS newest
           FROM hand_ins h JOIN works w ON w.id = h.work_id JOIN people p ON p.id = w.person_id
          WHERE w.assignment_id = ? AND (? IS NULL OR h.state = ?)
          ORDER BY h.handed_in_at, h.id`,
        [id, state ?? null, state ?? null],
      )
    }),

    route('get', '/api/hand-ins/:handIn', 'signed-in', async ({ person, param }) => {
      const { handIn, work, assignment } = await permissions.handIn(person, param('handIn'))
      const before = await handIns.before(handIn)
      const student = await database.getRepository(Person).findOneByOrFail({ id: work.personId })
      return {
        ...handInView(handIn),
        assignment: assignment.id,
        student: student.name,
        before: before && handInView(before),
        hints: await database
          .getRepository(OpenedHint)
          .find({ where: { workId: work.id }, order: { openedAt: 'ASC' } }),
        review: await reviewView(database, handIn, person.role),
      }
    }),

    routeWithBody(
      'post',
      '/api/hand-ins/:handIn/give-back',
      'teacher',
      GiveBackBody,
      async ({ person, param, body }) => {
        const { handIn } = await permissions.handIn(person, param('handIn'))
        await handIns.giveBack(person, handIn, body.outcome)
        return null
      },
    ),
  ]
}
