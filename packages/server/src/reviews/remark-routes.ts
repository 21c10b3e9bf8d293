import { randomUUID } from 'node:crypto'
import type { Points } from '@rudlo/core/envelope'
import { resolve, withLineShown, type Mix, type WorkDocument } from '@rudlo/core/mix'
import type { SongVersion } from '@rudlo/core/song'
import { checkMix } from '@rudlo/core/validate'
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsBoolean,
  IsInt,
  IsOptional,
  IsString,
  Length,
  Matches,
  Max,
  MaxLength,
  Min,
} from 'class-validator'
import type { HandIn } from '../handins/hand-in.entity'
import { isBack } from '../handins/hand-in.entity'
import { remarkView } from '../handins/views'
import { AreIds } from '../http/fields'
import { badInput, notFound, notNow } from '../http/problem'
import { AsSent } from '../http/as-sent'
import { route, routeWithBody, type Route } from '../http/route'
import type { Person } from '../people/person.entity'
import { leaveTrail } from '../people/trail'
import type { Services } from '../services'
import { Remark, Reply } from './review.entity'

class RemarkBody {
  /** Null for a remark on the whole. */
  @IsOptional()
  @IsString()
  @MaxLength(160)
  lane!: string | null

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
  @Matches(/\S/, { message: 'A remark needs between 1 and 2,000 characters' })
  text!: string

  /** The check, move or mistake that it is about. */
  @IsOptional()
  @IsString()
  @MaxLength(160)
  subject?: string

  /** A suggested line for the lane: its points. */
  @AsSent()
  @IsOptional()
  @IsArray({ message: 'A suggested line is a list of points' })
  @ArrayMaxSize(5000, { message: 'A line can have 5,000 points at most' })
  suggestion?: unknown[] | null
}

class ChangedRemarkBody extends RemarkBody {
  /** The revision that this change follows. */
  @IsInt()
  @Min(1)
  @Max(1e9)
  revision!: number
}

class ManyRemarksBody extends RemarkBody {
  @IsArray()
  @ArrayMinSize(1, { message: 'Choose at least one hand-in' })
  @ArrayMaxSize(60, { message: 'At most 60 hand-ins at once' })
  @AreIds()
  handIns!: string[]
}

class ReplyBody {
  @IsString()
  @Length(1, 1000, { message: 'A reply needs between 1 and 1,000 characters' })
  @Matches(/\S/, { message: 'A reply needs between 1 and 1,000 characters' })
  text!: string
}

class DoneBody {
  @IsBoolean()
  done!: boolean
}

/** What a remark may weigh in bytes: room for a suggested line of 5,000 points. */
const LINE_LIMIT = 512 * 1024

/** Remarks on hand-ins, and what is said about them. */
export function remarkRoutes({ database, permissions, songs, happenings }: Services): Route[] {
  const remarks = database.getRepository(Remark)

  /** What is stored of a remark. A place has to be on a lane of the mix and inside the song, a line to suit the lane. */
  const checked = async (handIn: HandIn, body: RemarkBody) => {
    const { mix } = JSON.parse(handIn.document) as WorkDocument
    const lane = body.lane ?? null
    const song = await songs.version(handIn.songVersionId)
    const found = lane === null ? null : resolve(mix, lane)
    if (lane !== null && !found) throw badInput('The mix has no such lane.')
    if (body.to < body.from || body.to > song.length) throw badInput('A remark must lie inside the song.')
    let suggestion: string | null = null
    if (body.suggestion) {
      if (lane === null) throw badInput('A suggested line needs a lane.')
      const problem = problemOf(mix, lane, body.suggestion as Points, song)
      if (problem) throw badInput(`The suggested line cannot be drawn: ${problem}`)
      suggestion = JSON.stringify(body.suggestion)
    }
    return {
      lane,
      fromTick: body.from,
      toTick: body.to,
      text: body.text,
      subject: body.subject ?? '',
      suggestion,
    }
  }

  const remarkOf = async (handIn: HandIn, id: string) => {
    const remark = await remarks.findOneBy({ id, handInId: handIn.id })
    if (!remark) throw notFound()
    return remark
  }

  /** A hand-in whose remarks a person may answer: a student's once it is back, a teacher's always. */
  const answerable = async (person: Person, id: string) => {
    const found = await permissions.handIn(person, id)
    if (person.role === 'student' && !isBack(found.handIn)) throw notFound()
    return found
  }

  const made = async (person: Person, handIn: HandIn, body: RemarkBody) =>
    remarks.create({
      id: randomUUID(),
      handInId: handIn.id,
      authorId: person.id,
      ...(await checked(handIn, body)),
      revision: 1,
      doneAt: null,
      createdAt: new Date(),
    })

  return [
    routeWithBody(
      'post',
      '/api/hand-ins/:handIn/remarks',
      'teacher',
      RemarkBody,
      async ({ person, param, body }) => {
        const { handIn } = await permissions.handIn(person, param('handIn'))
        const remark = await made(person, handIn, body)
        await remarks.insert(remark)
        return remarkView(remark)
      },
      LINE_LIMIT,
    ),

    routeWithBody(
      'post',
      '/api/remarks',
      'teacher',
      ManyRemarksBody,
      async ({ person, body }) => {
        const found = await Promise.all(body.handIns.map((id) => permissions.handIn(person, id)))
        const all: Remark[] = []
        for (const { handIn } of found) all.push(await made(person, handIn, body))
        // one statement: nothing is half done
        await remarks.insert(all)
        return { count: all.length }
      },
      LINE_LIMIT,
    ),

    routeWithBody(
      'put',
      '/api/hand-ins/:handIn/remarks/:remark',
      'teacher',
      ChangedRemarkBody,
      async ({ person, param, body }) => {
        const { handIn } = await permissions.handIn(person, param('handIn'))
        const { id } = await remarkOf(handIn, param('remark'))
        const changed = await remarks.update(
          { id, revision: body.revision },
          { ...(await checked(handIn, body)), revision: body.revision + 1 },
        )
        if (!changed.affected)
          throw notNow('Somebody else has changed this remark in the meantime: open it again to see theirs.')
        return remarkView(await remarkOf(handIn, id))
      },
      LINE_LIMIT,
    ),

    routeWithBody(
      'post',
      '/api/hand-ins/:handIn/remarks/:remark/replies',
      'signed-in',
      ReplyBody,
      async ({ person, param, body }) => {
        const { handIn, work, assignment } = await answerable(person, param('handIn'))
        const { id: remarkId } = await remarkOf(handIn, param('remark'))
        const reply = {
          id: randomUUID(),
          remarkId,
          authorId: person.id,
          text: body.text,
          createdAt: new Date(),
        }
        await database.transaction(async (manager) => {
          await manager.insert(Reply, reply)
          await leaveTrail(manager, person.id, 'replied', remarkId)
          const others =
            person.role === 'student'
              ? await happenings.members(manager, assignment.groupId, 'teacher')
              : [work.personId]
          const data = { assignment: assignment.id, handIn: handIn.id }
          await happenings.tell(manager, others, 'reply', data)
        })
        return { author: person.name, text: reply.text, createdAt: reply.createdAt }
      },
    ),

    routeWithBody(
      'put',
      '/api/hand-ins/:handIn/remarks/:remark/done',
      'student',
      DoneBody,
      async ({ person, param, body }) => {
        const { handIn, assignment } = await answerable(person, param('handIn'))
        const { id } = await remarkOf(handIn, param('remark'))
        await database.transaction(async (manager) => {
          await manager.update(Remark, id, { doneAt: body.done ? new Date() : null })
          const teachers = await happenings.members(manager, assignment.groupId, 'teacher')
          await happenings.tell(manager, teachers, 'remark done', {
            assignment: assignment.id,
            handIn: handIn.id,
          })
        })
        return null
      },
    ),

    route('delete', '/api/hand-ins/:handIn/remarks/:remark', 'teacher', async ({ person, param }) => {
      const { handIn } = await permissions.handIn(person, param('handIn'))
      const { id } = await remarkOf(handIn, param('remark'))
      await remarks.delete({ id })
      return null
    }),
  ]
}

/** Why a line does not suit a lane, in a sentence; null where the mix could have it. */
function problemOf(mix: Mix, lane: string, points: Points, song: SongVersion): string | null {
  try {
    const suggested = checkMix(withLineShown(mix, lane, points), song)
    return suggested.ok ? null : suggested.problem
  } catch (error) {
    return (error as Error).message
  }
}
