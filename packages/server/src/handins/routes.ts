import { lineOf } from '@rudlo/core/compare'
import { resolve, type WorkDocument } from '@rudlo/core/mix'
import {
  ArrayMaxSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsOptional,
  IsString,
  Max,
  MaxLength,
  Min,
  ValidateNested,
} from 'class-validator'
import { Type } from 'class-transformer'
import type { Context } from 'hono'
import { badInput, notFound } from '../http/problem'
import { breath } from '../http/breath'
import { jsonList } from '../http/json-list'
import { route, routeWithBody, type Route } from '../http/route'
import { IsMoment } from '../http/fields'
import { Membership } from '../people/group.entity'
import { Person } from '../people/person.entity'
import type { Services } from '../services'
import { OpenedHint } from '../works/opened-hint.entity'
import { HAND_IN_STATES, isBack, type Outcome } from './hand-in.entity'
import { handInView, reviewView } from './views'

class PartnerBody {
  @IsString()
  @MaxLength(60)
  signIn!: string

  @IsString()
  @MaxLength(200)
  password!: string
}

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

  /** The other one of a pair at this machine, who says so with the own name and password. */
  @IsOptional()
  @ValidateNested()
  @Type(() => PartnerBody)
  partner?: PartnerBody
}

class GiveBackBody {
  @IsIn(['accepted', 'again'], { message: 'Say whether it is accepted or wanted again' })
  outcome!: Outcome

  /** Whether it is held until all are given back together. */
  @IsOptional()
  @IsBoolean()
  hold?: boolean
}

class GiveBackHeldBody {
  /** When the students get it; at once where it is missing. */
  @IsMoment('The time is not a time')
  at?: string | null
}

interface QueueRow {
  readonly id: string
  readonly sameAs: string | null
  readonly student: string
  readonly workId: string
  readonly pair: string | null
  readonly [column: string]: unknown
}

export function handInRoutes({
  database,
  permissions,
  handIns,
  measuring,
  bundles,
  guard,
}: Services): Route[] {
  const people = database.getRepository(Person)
  /** A classmate who proves to be there. @throws Problem 400 where name and password do not belong together */
  const partnerOf = async (c: Context, person: Person, workId: string, sent: PartnerBody) => {
    const { assignmentId } = await permissions.ownWork(person, workId)
    const { groupId } = await permissions.assignment(person, assignmentId)
    const named = await people.findOneBy({ signIn: sent.signIn.trim().toLowerCase(), role: 'student' })
    const isMate =
      named !== null &&
      named.id !== person.id &&
      (await database.getRepository(Membership).existsBy({ groupId, personId: named.id, role: 'student' }))
    const mate = isMate ? named : null
    if (!(await guard.proves(c, sent.signIn, mate, sent.password)) || !mate)
      throw badInput('That is not the name and password of a classmate. Nothing was handed in.')
    return mate
  }

  return [
    routeWithBody(
      'post',
      '/api/works/:work/hand-ins',
      'student',
      HandInBody,
      async ({ c, person, param, body }) =>
        handInView(
          await handIns.handIn(person, param('work'), {
            revision: body.revision,
            said: body.said ?? '',
            writing: body.writing ?? [],
            partner: body.partner ? await partnerOf(c, person, param('work'), body.partner) : null,
          }),
          person.role,
        ),
    ),

    route('get', '/api/works/:work/hand-ins', 'signed-in', async ({ person, param }) => {
      const { id } = await permissions.ownWork(person, param('work'))
      const versions = await handIns.ofWork(id)
      return jsonList(
        (async function* () {
          for (const v of versions)
            yield { ...handInView(v, 'student'), review: await reviewView(database, v, 'student') }
        })(),
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
      if (state !== undefined && !(HAND_IN_STATES as readonly string[]).includes(state))
        throw badInput('There is no such state of a hand-in.')
      const rows: QueueRow[] = await database.query(
        `SELECT h.id, h.number, h.state, h.outcome, h.handed_in_at AS handedInAt, h.given_back_at AS givenBackAt,
                h.opened_at AS openedAt, h.seen_at AS seenAt, h.same_as AS sameAs, h.measure_problem AS measureProblem, h.work_id AS workId, h.pair, p.name AS student,
                h.number = (SELECT MAX(number) FROM hand_ins x WHERE x.work_id = h.work_id) AS newest
           FROM hand_ins h JOIN works w ON w.id = h.work_id JOIN people p ON p.id = w.person_id
          WHERE w.assignment_id = ? AND (? IS NULL OR h.state = ?)
          ORDER BY h.handed_in_at, h.id`,
        [id, state ?? null, state ?? null],
      )
      return rows.map(({ sameAs, workId, pair, newest, ...row }) => ({
        ...row,
        // whoever did it together with the student
        with:
          pair === null ? null : (rows.find((r) => r.pair === pair && r.workId !== workId)?.student ?? null),
        newest: Number(newest) === 1,
        // whose hand-in has the same lines and settings
        sameAs:
          sameAs === null
            ? []
            : [
                ...new Set(
                  rows
                    .filter(
                      (r) => r.sameAs === sameAs && r.workId !== workId && (pair === null || r.pair !== pair),
                    )
                    .map((r) => r.student),
                ),
              ],
      }))
    }),

    route('get', '/api/assignments/:assignment/lines', 'teacher', async ({ person, param, query }) => {
      const { id, startingMix } = await permissions.assignment(person, param('assignment'))
      const lane = query('lane') ?? ''
      const newest: { id: string; student: string; document: string }[] = await database.query(
        `SELECT h.id, p.name AS student, h.document FROM hand_ins h JOIN works w ON w.id = h.work_id
           JOIN people p ON p.id = w.person_id
          WHERE w.assignment_id = ? AND h.number = (SELECT MAX(number) FROM hand_ins x WHERE x.work_id = h.work_id)
          ORDER BY p.name`,
        [id],
      )
      let isLane = Boolean(resolve(JSON.parse(startingMix) as WorkDocument['mix'], lane))
      const lines = []
      for (const { id: handIn, student, document } of newest) {
        // a class of large mixes takes a while to read
        await breath()
        const { mix } = JSON.parse(document) as WorkDocument
        isLane ||= Boolean(resolve(mix, lane))
        lines.push({ handIn, student, points: lineOf(mix, lane) })
      }
      if (!isLane) throw notFound()
      return jsonList(lines)
    }),

    route('get', '/api/hand-ins/:handIn', 'signed-in', async ({ person, param }) => {
      const { handIn, work, assignment } = await permissions.handIn(person, param('handIn'))
      const before = await handIns.before(handIn)
      const student = await database.getRepository(Person).findOneByOrFail({ id: work.personId })
      return {
        ...handInView(handIn, person.role),
        assignment: assignment.id,
        student: student.name,
        before: before && handInView(before, person.role),
        versions: (await handIns.ofWork(work.id)).map(({ id, number }) => ({ id, number })),
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
        await handIns.giveBack(person, handIn, body.outcome, body.hold ? null : new Date())
        return null
      },
    ),

    routeWithBody(
      'post',
      '/api/assignments/:assignment/give-back',
      'teacher',
      GiveBackHeldBody,
      async ({ person, param, body }) => {
        const assignment = await permissions.assignment(person, param('assignment'))
        const at = body.at ? new Date(body.at) : new Date()
        return { count: await handIns.giveBackHeld(person, assignment, at) }
      },
    ),

    route('post', '/api/hand-ins/:handIn/take-back', 'teacher', async ({ person, param }) => {
      const { handIn } = await permissions.handIn(person, param('handIn'))
      await handIns.takeBack(person, handIn)
      return null
    }),

    route('post', '/api/hand-ins/:handIn/measure', 'teacher', async ({ person, param }) => {
      const { handIn } = await permissions.handIn(person, param('handIn'))
      await measuring.again(handIn.id)
      return null
    }),

    route('post', '/api/hand-ins/:handIn/look', 'teacher', async ({ person, param }) => {
      const { handIn } = await permissions.handIn(person, param('handIn'))
      const { other, newer } = await handIns.look(person, handIn)
      return { other, newer: newer && { id: newer.id, number: newer.number } }
    }),

    route('post', '/api/hand-ins/:handIn/opened', 'student', async ({ person, param }) => {
      const { handIn } = await permissions.handIn(person, param('handIn'))
      if (!isBack(handIn)) throw notFound()
      await handIns.open(handIn)
      return null
    }),
  ]
}
