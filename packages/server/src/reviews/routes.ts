import { completeRubric, type Rubric } from '@rudlo/core/rubric'
import { IsInt, IsObject, IsString, Max, MaxLength, Min } from 'class-validator'
import { badInput, notNow } from '../http/problem'
import { AsSent } from '../http/as-sent'
import { route, routeWithBody, type Route } from '../http/route'
import { leaveTrail } from '../people/trail'
import type { Services } from '../services'
import { marksCsv } from './marks'
import { Review } from './review.entity'

class ReviewBody {
  /** Level (from 0) by criterion. */
  @AsSent()
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

export function reviewRoutes({ database, permissions }: Services): Route[] {
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
        const rubric = completeRubric(JSON.parse(assignment.rubric) as Rubric)
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
