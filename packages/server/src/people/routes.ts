import { randomInt, randomUUID } from 'node:crypto'
import { readOneRoster, readRoster, ROSTER_LIMITS, SIGN_IN_NAME, type Roster } from '@rudlo/core/roster'
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsBoolean,
  IsOptional,
  IsString,
  Length,
  Matches,
  MaxLength,
} from 'class-validator'
import { AreIds, IsMoment } from '../http/fields'
import { badInput, notFound } from '../http/problem'
import { zipAnswer } from '../http/zip'
import { route, routeWithBody, type Route } from '../http/route'
import type { Services } from '../services'
import { FormerMember, Group, JoinRequest, Membership } from './group.entity'
import { Person } from './person.entity'
import { leaveTrail } from './trail'

const SIGN_IN = { message: 'A sign-in name has 2 to 60 small letters, digits, dots or dashes' }

class GroupBody {
  @IsString()
  @Length(1, 120, { message: 'The group needs a name of at most 120 characters' })
  @Matches(/\S/, { message: 'The group needs a name' })
  name!: string

  @IsString()
  @MaxLength(120, { message: 'The place has more than 120 characters' })
  place!: string
}

class ChangedGroupBody extends GroupBody {
  @IsBoolean()
  joinOpen!: boolean

  /** The day after which the teacher is asked whether everything personal may go. */
  @IsMoment('The day is not a day')
  keepUntil!: string | null
}

class RosterBody {
  /** A list or table of students; or users.csv where there is an enrollments.csv too. */
  @IsString()
  @MaxLength(ROSTER_LIMITS.bytes, { message: 'The file is too large for a roster' })
  text!: string

  @IsOptional()
  @IsString()
  @MaxLength(ROSTER_LIMITS.bytes, { message: 'The file is too large for a roster' })
  enrollments?: string

  /** Which class of a OneRoster export. */
  @IsOptional()
  @IsString()
  @MaxLength(200)
  class?: string

  /** Whether it is only looked at. */
  @IsBoolean()
  preview!: boolean
}

class NameBody {
  @IsString()
  @Length(1, 120, { message: 'The name is missing' })
  @Matches(/\S/, { message: 'The name is missing' })
  name!: string
}

class TeacherBody {
  @Matches(SIGN_IN_NAME, SIGN_IN)
  signIn!: string

  /** The name of somebody who is to become a teacher; missing for somebody who is one. */
  @IsOptional()
  @IsString()
  @MaxLength(120)
  name?: string
}

class AnswerBody {
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(500)
  @AreIds()
  requests!: string[]

  @IsBoolean()
  accept!: boolean
}

class JoinBody {
  @IsString()
  @Length(1, 20, { message: 'The code is missing' })
  code!: string

  @IsString()
  @Length(1, 120, { message: 'Please give your name' })
  @Matches(/\S/, { message: 'Please give your name' })
  name!: string

  @Matches(SIGN_IN_NAME, SIGN_IN)
  signIn!: string

  @IsString()
  @Length(8, 200, { message: 'A password has at least 8 characters' })
  password!: string
}

/** Room for the two files of a school's export. */
const ROSTER_LIMIT = 2.5 * ROSTER_LIMITS.bytes

/** Who belongs to a group, or did. */
const OF_GROUP =
  'SELECT person_id FROM memberships WHERE group_id = ? UNION SELECT person_id FROM former_members WHERE group_id = ?'

/** Letters and digits that cannot be taken for each other. */
const CODE_SIGNS = 'ABCDEFGHJKLMNPQRSTUVWXYZ23456789'
const joinCode = () => Array.from({ length: 7 }, () => CODE_SIGNS[randomInt(CODE_SIGNS.length)]).join('')

/** Groups, who belongs to them, and how people come and go. */
export function peopleRoutes({ database, people, joining, leaving, guard }: Services): Route[] {
  return [
    route('get', '/api/groups', 'teacher', async ({ person }) => {
      const rows: {
        id: string
        name: string
        place: string
        keepUntil: string | null
        students: string
        requests: string
      }[] = await database.query(
        `SELECT g.id, g.name, g.place, DATE_FORMAT(g.keep_until, '%Y-%m-%d') AS keepUntil,
                  (SELECT COUNT(*) FROM memberships s WHERE s.group_id = g.id AND s.role = 'student') AS students,
                  (SELECT COUNT(*) FROM join_requests r WHERE r.group_id = g.id) AS requests
             FROM class_groups g JOIN memberships m ON m.group_id = g.id AND m.person_id = ? AND m.role = 'teacher'
            ORDER BY g.name`,
        [person.id],
      )
      return rows.map((r) => ({ ...r, students: Number(r.students), requests: Number(r.requests) }))
    }),

    routeWithBody('post', '/api/groups', 'teacher', GroupBody, async ({ person, body }) => {
      const group = {
        id: randomUUID(),
        name: body.name.trim(),
        place: body.place.trim(),
        joinCode: joinCode(),
        joinOpen: true,
        keepUntil: null,
      }
      await database.transaction(async (manager) => {
        await manager.insert(Group, group)
        await manager.insert(Membership, { groupId: group.id, personId: person.id, role: 'teacher' })
        await leaveTrail(manager, person.id, 'made a group', group.id)
      })
      return { id: group.id }
    }),

    route('get', '/api/groups/:group', 'teacher', async ({ person, param }) => {
      const { id, name, place, joinCode, joinOpen, keepUntil } = await people.group(person, param('group'))
      const members: { id: string; name: string; signIn: string; role: string; mustChange: number }[] =
        await database.query(
          `SELECT p.id, p.name, p.sign_in AS signIn, m.role, p.must_change AS mustChange FROM memberships m
             JOIN people p ON p.id = m.person_id WHERE m.group_id = ? ORDER BY p.name`,
          [id],
        )
      const view = (role: string) =>
        members
          .filter((m) => m.role === role)
          .map((m) => ({ id: m.id, name: m.name, signIn: m.signIn, mustChange: Boolean(m.mustChange) }))
      const former: { id: string; name: string; signIn: string; role: string; leftAt: Date }[] =
        await database
          .getRepository(FormerMember)
          .createQueryBuilder('f')
          .innerJoin(Person, 'p', 'p.id = f.person_id')
          .select('p.id', 'id')
          .addSelect('p.name', 'name')
          .addSelect('p.sign_in', 'signIn')
          .addSelect('f.role', 'role')
          .addSelect('f.left_at', 'leftAt')
          .where('f.group_id = :id', { id })
          .orderBy('p.name')
          .getRawMany()
      const requests = await database
        .getRepository(JoinRequest)
        .find({ where: { groupId: id }, order: { createdAt: 'ASC' } })
      return {
        id,
        name,
        place,
        joinCode,
        joinOpen,
        keepUntil,
        students: view('student'),
        teachers: view('teacher'),
        former,
        requests: requests.map((r) => ({ id: r.id, name: r.name, signIn: r.signIn })),
      }
    }),

    routeWithBody(
      'put',
      '/api/groups/:group',
      'teacher',
      ChangedGroupBody,
      async ({ person, param, body }) => {
        const { id } = await people.group(person, param('group'))
        const changed = {
          name: body.name.trim(),
          place: body.place.trim(),
          joinOpen: body.joinOpen,
          keepUntil: body.keepUntil ? body.keepUntil.slice(0, 10) : null,
        }
        await database.transaction(async (manager) => {
          await manager.update(Group, id, changed)
          await leaveTrail(manager, person.id, 'changed the group', id)
        })
        return null
      },
    ),

    routeWithBody(
      'post',
      '/api/groups/:group/roster',
      'teacher',
      RosterBody,
      async ({ person, param, body }) => {
        const group = await people.group(person, param('group'))
        const { roster, classes } = rosterOf(body)
        if (body.preview || roster.problems.length) {
          if (!body.preview) throw badInput('There is something wrong in the list: nobody was added.')
          return { rows: roster.rows, problems: roster.problems, classes, cards: [] }
        }
        const cards = await people.add(person, group, roster.rows)
        return { rows: roster.rows, problems: [], classes, cards }
      },
      ROSTER_LIMIT,
    ),

    routeWithBody(
      'put',
      '/api/groups/:group/students/:person',
      'teacher',
      NameBody,
      async ({ person, param, body }) => {
        const student = await people.member(person, param('group'), param('person'), 'student')
        await database.transaction(async (manager) => {
          await manager.update(Person, student.id, { name: body.name.trim() })
          await leaveTrail(manager, person.id, 'renamed', student.id)
        })
        return null
      },
    ),

    route('post', '/api/groups/:group/students/:person/password', 'teacher', async ({ person, param }) =>
      people.resetPassword(person, await people.member(person, param('group'), param('person'), 'student')),
    ),

    route('post', '/api/groups/:group/former/:person', 'teacher', async ({ person, param }) => {
      const group = await people.group(person, param('group'))
      await people.takeInAgain(person, group, await people.formerMember(person, group.id, param('person')))
      return null
    }),

    route('post', '/api/people/:person/password', 'teacher', async ({ person, param }) =>
      people.resetPassword(person, await people.student(person, param('person'))),
    ),

    routeWithBody(
      'post',
      '/api/groups/:group/requests',
      'teacher',
      AnswerBody,
      async ({ person, param, body }) => {
        const group = await people.group(person, param('group'))
        return { renamed: await joining.answer(person, group, body.requests, body.accept) }
      },
    ),

    routeWithBody(
      'post',
      '/api/groups/:group/teachers',
      'teacher',
      TeacherBody,
      async ({ person, param, body }) => {
        const group = await people.group(person, param('group'))
        const name = body.name?.trim()
        if (name)
          return { cards: await people.add(person, group, [{ name, signIn: body.signIn }], 'teacher') }
        await people.addTeacher(person, group, body.signIn)
        return { cards: [] }
      },
    ),

    route('get', '/api/groups/:group/trail', 'teacher', async ({ person, param }) => {
      const { id } = await people.group(person, param('group'))
      return database.query(
        `SELECT t.what, t.at, p.name AS who, s.name AS whom, a.title AS assignment
           FROM trail t JOIN people p ON p.id = t.person_id
           LEFT JOIN people s ON s.id = t.subject
           LEFT JOIN hand_ins h ON h.id = t.subject
           LEFT JOIN works w ON w.id = h.work_id
           LEFT JOIN assignments a ON a.id = t.subject OR a.id = w.assignment_id
          WHERE t.person_id IN (${OF_GROUP})
            AND (a.group_id = ? OR (a.id IS NULL AND (t.subject = ? OR s.id IN (${OF_GROUP}))))
          ORDER BY t.id DESC LIMIT 300`,
        [id, id, id, id, id, id],
      )
    }),

    routeWithBody('post', '/api/join', 'anyone', JoinBody, async ({ c, body }) => ({
      group: await joining.ask(body, await guard.from(c)),
    })),

    route('get', '/api/people/:person/everything', 'signed-in', async ({ person, param }) => {
      const whom = person.id === param('person') ? person : await studentOf(person, param('person'))
      return zipAnswer(leaving.everything(whom), 'everything.zip')
    }),

    route('get', '/api/people/:person/belongings', 'teacher', async ({ person, param }) =>
      leaving.belongings(await people.student(person, param('person'))),
    ),

    route('delete', '/api/groups/:group/members/:person', 'teacher', async ({ person, param }) => {
      const group = await people.group(person, param('group'))
      const found = await database.getRepository(Person).findOneBy({ id: param('person') })
      if (!found) throw notFound()
      await people.leave(person, group, await people.member(person, group.id, found.id, found.role))
      return null
    }),

    route('delete', '/api/people/:person', 'teacher', async ({ person, param }) => {
      await leaving.erase(person, await people.student(person, param('person')))
      return null
    }),
  ]

  async function studentOf(person: Person, id: string): Promise<Person> {
    if (person.role !== 'teacher') throw notFound()
    return people.student(person, id)
  }
}

/** Reads what was sent: a list, a table, or two files of a OneRoster export. */
function rosterOf(body: RosterBody): { roster: Roster; classes: string[] } {
  if (body.enrollments === undefined) return { roster: readRoster(body.text), classes: [] }
  try {
    const classes = readOneRoster(body.text, body.enrollments)
    const chosen = classes.find((c) => c.id === body.class) ?? (classes.length === 1 ? classes[0] : undefined)
    return { roster: chosen?.roster ?? { rows: [], problems: [] }, classes: classes.map((c) => c.id) }
  } catch (error) {
    throw badInput((error as Error).message)
  }
}
