import { resolve, type WorkDocument } from '@rudlo/core/mix'
import { IsBoolean, IsInt, IsOptional, IsString, Max, MaxLength, Min } from 'class-validator'
import { IsId } from '../http/fields'
import { badInput, notFound } from '../http/problem'
import { route, routeWithBody, type Route } from '../http/route'
import { Membership } from '../people/group.entity'
import type { Services } from '../services'
import { Work } from '../works/work.entity'
import { Presence } from './presence.entity'

class PresenceBody {
  /** The task that is open; empty for none. */
  @IsString()
  @MaxLength(64)
  task!: string

  /** Whether something was done since the last time. */
  @IsBoolean()
  acted!: boolean

  /** Whether help is wanted. */
  @IsBoolean()
  help!: boolean

  /** Whether the own line may be shown to the class. */
  @IsBoolean()
  shows!: boolean
}

class PointBody {
  /** Whom it is shown to; everybody of the group where it is missing. */
  @IsOptional()
  @IsId()
  person?: string | null

  /** The lane that is meant; none for a place alone. */
  @IsOptional()
  @IsString()
  @MaxLength(160)
  lane?: string | null

  @IsInt()
  @Min(0)
  @Max(1e9)
  from!: number

  @IsInt()
  @Min(0)
  @Max(1e9)
  to!: number
}

/** Who is where during a lesson, who wants help, and places that are pointed at. */
export function lessonRoutes({ database, permissions, people, happenings, songs }: Services): Route[] {
  const presences = database.getRepository(Presence)
  return [
    routeWithBody(
      'put',
      '/api/assignments/:assignment/presence',
      'student',
      PresenceBody,
      async ({ person, param, body }) => {
        const assignment = await permissions.assignment(person, param('assignment'))
        const key = { personId: person.id, groupId: assignment.groupId }
        const before = await presences.findOneBy(key)
        const now = new Date()
        const same = before?.assignmentId === assignment.id && before.task === body.task
        await database.transaction(async (manager) => {
          await manager.save(Presence, {
            ...key,
            assignmentId: assignment.id,
            task: body.task,
            seenAt: now,
            actedAt: body.acted || !same ? now : before.actedAt,
            helpAt: body.help ? (before?.helpAt ?? now) : null,
            shows: body.shows,
          })
          if (body.help === Boolean(before?.helpAt)) return
          const teachers = await happenings.members(manager, assignment.groupId, 'teacher')
          await happenings.tell(manager, teachers, 'help', { assignment: assignment.id, handIn: '' })
        })
        return null
      },
    ),

    route('get', '/api/groups/:group/lesson', 'teacher', async ({ person, param }) => {
      const { id } = await people.group(person, param('group'))
      const rows: Record<string, unknown>[] = await database.query(
        `SELECT p.id, p.name, q.assignment_id AS assignment, q.task, q.seen_at AS seenAt, q.acted_at AS actedAt,
                q.help_at AS helpAt, q.shows FROM memberships m JOIN people p ON p.id = m.person_id
           LEFT JOIN presences q ON q.person_id = p.id AND q.group_id = m.group_id
          WHERE m.group_id = ? AND m.role = 'student' ORDER BY p.name`,
        [id],
      )
      return { now: new Date(), students: rows.map((r) => ({ ...r, shows: Boolean(r['shows']) })) }
    }),

    route(
      'get',
      '/api/assignments/:assignment/works/:person',
      'teacher',
      async ({ person, param, query }) => {
        const { id } = await permissions.assignment(person, param('assignment'))
        const work = await database
          .getRepository(Work)
          .findOneBy({ assignmentId: id, personId: param('person') })
        if (!work) throw notFound()
        // most looks find nothing new
        if (query('after') === String(work.revision)) return { revision: work.revision, mix: null }
        const { mix } = JSON.parse(work.document) as WorkDocument
        return { revision: work.revision, mix }
      },
    ),

    routeWithBody(
      'post',
      '/api/assignments/:assignment/point',
      'teacher',
      PointBody,
      async ({ person, param, body }) => {
        const assignment = await permissions.assignment(person, param('assignment'))
        const song = await songs.version(assignment.songVersionId)
        if (body.to < body.from || body.to > song.length)
          throw badInput('The place must lie inside the song.')
        const start = JSON.parse(assignment.startingMix) as WorkDocument['mix']
        const lane = body.lane && resolve(start, body.lane) ? body.lane : null
        await database.transaction(async (manager) => {
          const students = await happenings.members(manager, assignment.groupId, 'student')
          const whom = body.person ? students.filter((s) => s === body.person) : students
          if (!whom.length) throw notFound()
          const { from, to } = body
          const data = { assignment: assignment.id, handIn: '', own: Boolean(body.person), lane, from, to }
          await happenings.tell(manager, whom, 'point', data)
          // help that was given is no longer wanted
          if (body.person)
            await manager.update(
              Presence,
              { personId: body.person, groupId: assignment.groupId },
              { helpAt: null },
            )
        })
        return null
      },
    ),

    route('delete', '/api/groups/:group/lesson/:person/help', 'teacher', async ({ person, param }) => {
      const { id } = await people.group(person, param('group'))
      const key = { groupId: id, personId: param('person') }
      if (!(await database.getRepository(Membership).findOneBy(key))) throw notFound()
      await database.transaction(async (manager) => {
        await manager.update(Presence, key, { helpAt: null })
        await happenings.tell(manager, [key.personId], 'helped', { assignment: '', handIn: '' })
      })
      return null
    }),
  ]
}
