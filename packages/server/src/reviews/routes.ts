import { randomUUID } from 'node:crypto'
import { resolve, type WorkDocument } from '@rudlo/core/mix'
import { IsInt, IsObject, IsString, Length, Max, MaxLength, Min } from 'class-validator'
import type { Rubric } from '../assignments/rubric'
import { remarkView } from '../handins/views'
import { badInput, notFound, notNow } from '../http/problem'
import { route, routeWithBody, type Route } from '../http/route'
import { leaveTrail } from '../people/trail'
import type { Services } from '../services'
import { marksCsv } from './marks'
import { Remark, Review } from './review.entity'

class ReviewBody {
  /** Level (from 0) by criterion. */
  @IsObject()
  marks!: Record<string, number>

  @IsString()
  @MaxLength(5000, { message: 'A comment can have 5,000 characters at most' })
  comment!: string

  /** The revision of the review that this one follows; 0 for the first. */
  @IsInt()
  @Min(0)
  @Max(1e9)
  revision!: number
}

class RemarkBody {
  @IsString()
  @MaxLength(160)
  lane!: string

  @IsInt()
  @Min(0)
  @Max(1e9)
  from!: number

  @IsInt()
  @Min(0)
  @Max(1e9)
  to!: number

  @IsString()
  @Length(1, 2000, { message: 'A remark needs between 1 and 2,000 characters' })
  text!: string
}

export function reviewRoutes({ database, permissions, songs }: Services): Route[] {
  const remarks = database.getRepository(Remark)

  /** A remark has to be on a lane of the mix and inside the song. */
  const checkPlace = async (handIn: { document: string; songVersionId: string }, body: RemarkBody) => {
    const { mix } = JSON.parse(handIn.document) as WorkDocument
    if (!resolve(mix, body.lane)) throw badInput('The mix has no such lane.')
    const song = await songs.version(handIn.songVersionId)
    if (body.to < body.from || body.to > song.length) throw badInput('A remark must lie inside the song.')
  }

  return [
    route('get', '/api/assignments/:assignment/marks.csv', 'teacher', async ({ person, param, query }) => {
      const assignment = await permissions.assignment(person, param('assignment'))
      const table = query('table') ?? 'students'
      if (table !== 'students' && table !== 'checks') throw badInput('There is no such table of marks.')
      return new Response(await marksCsv(database, assignment, table), {
        headers: {
          'content-type': 'text/csv; charset=utf-8',
          'content-disposition': `attachment; filename="${table}.csv"`,
          'cache-control': 'private, no-store',
        },
      })
    }),

    routeWithBody(
      'put',
      '/api/hand-ins/:handIn/review',
      'teacher',
      ReviewBody,
      async ({ person, param, body }) => {
        const { handIn, assignment } = await permissions.handIn(person, param('handIn'))
        const rubric = JSON.parse(assignment.rubric) as Rubric
        checkMarks(body.marks, rubric)
        return database.transaction(async (manager) => {
          const before = await manager.findOne(Review, {
            where: { handInId: handIn.id },
            lock: { mode: 'pessimistic_write' },
          })
          if ((before?.revision ?? 0) !== body.revision) {
            throw notNow(
              'Somebody else has changed this review in the meantime: open it again to see theirs.',
            )
          }
          const revision = body.revision + 1
          await manager.save(Review, {
            handInId: handIn.id,
            reviewerId: person.id,
            marks: JSON.stringify(body.marks),
            comment: body.comment,
            revision,
            updatedAt: new Date(),
          })
          await leaveTrail(manager, person.id, 'marked', handIn.id)
          return { revision }
        })
      },
    ),

    routeWithBody(
      'post',
      '/api/hand-ins/:handIn/remarks',
      'teacher',
      RemarkBody,
      async ({ person, param, body }) => {
        const { handIn } = await permissions.handIn(person, param('handIn'))
        await checkPlace(handIn, body)
        const remark = remarks.create({
          id: randomUUID(),
          handInId: handIn.id,
          authorId: person.id,
          lane: body.lane,
          fromTick: body.from,
          toTick: body.to,
          text: body.text,
          createdAt: new Date(),
        })
        await remarks.insert(remark)
        return remarkView(remark)
      },
    ),

    routeWithBody(
      'put',
      '/api/hand-ins/:handIn/remarks/:remark',
      'teacher',
      RemarkBody,
      async ({ person, param, body }) => {
        const { handIn } = await permissions.handIn(person, param('handIn'))
        await checkPlace(handIn, body)
        const remark = await remarks.findOneBy({ id: param('remark'), handInId: handIn.id })
        if (!remark) throw notFound()
        Object.assign(remark, { lane: body.lane, fromTick: body.from, toTick: body.to, text: body.text })
        await remarks.save(remark)
        return remarkView(remark)
      },
    ),

    route('delete', '/api/hand-ins/:handIn/remarks/:remark', 'teacher', async ({ person, param }) => {
      const { handIn } = await permissions.handIn(person, param('handIn'))
      const gone = await remarks.delete({ id: param('remark'), handInId: handIn.id })
      if (!gone.affected) throw notFound()
      return null
    }),
  ]
}

function checkMarks(marks: Record<string, unknown>, { criteria, levels }: Rubric): void {
  for (const [criterion, level] of Object.entries(marks)) {
    if (!criteria.some((c) => c.id === criterion)) throw badInput(`The rubric has no line "${criterion}".`)
    if (!Number.isInteger(level) || (level as number) < 0 || (level as number) >= levels.length) {
      throw badInput(`The mark of "${criterion}" is none of the rubric's levels.`)
    }
  }
}
