import {
  ChangedGroup,
  JoinAnswer,
  JoinRequest,
  NewGroup,
  NewMember,
  NewTeacher,
  NextTerm,
  RosterFile,
  StudentName,
} from '@rudlo/contract/people'
import { ROSTER_LIMITS } from '@rudlo/core/roster'
import { Hono } from 'hono'
import { answer, done } from '../http/answer'
import { body } from '../http/validated'
import { who, type Env } from '../http/who'
import { zipAnswer } from '../http/zip'
import type { Services } from '../services'

/** Room for the two files of a school's export. */
const ROSTER_LIMIT = 2.5 * ROSTER_LIMITS.bytes

/** Classes, who belongs to them, and how people come and go. */
export const peopleRoutes = ({ groups, rosters, people, joining, leaving, nextTerms, guard }: Services) =>
  new Hono<Env>()
    .get('/groups', who('teacher'), async (c) => answer(c, await groups.of(c.get('person'))))

    .post('/groups', who('teacher'), body(NewGroup), async (c) =>
      answer(c, { id: await groups.create(c.get('person'), c.req.valid('json')) }),
    )

    .get('/groups/:group', who('teacher'), async (c) =>
      answer(c, await groups.view(await people.group(c.get('person'), c.req.param('group')))),
    )

    .put('/groups/:group', who('teacher'), body(ChangedGroup), async (c) => {
      const group = await people.group(c.get('person'), c.req.param('group'))
      await groups.change(c.get('person'), group, c.req.valid('json'))
      return done(c)
    })

    .post('/groups/:group/next-term', who('teacher'), body(NextTerm), async (c) => {
      const group = await people.group(c.get('person'), c.req.param('group'))
      return answer(c, { id: await nextTerms.begin(c.get('person'), group, c.req.valid('json')) })
    })

    .post('/groups/:group/reopen', who('teacher'), async (c) => {
      const group = await people.group(c.get('person'), c.req.param('group'))
      await nextTerms.reopen(c.get('person'), group)
      return done(c)
    })

    .get('/groups/:group/trail', who('teacher'), async (c) =>
      answer(c, await groups.trail(await people.group(c.get('person'), c.req.param('group')))),
    )

    .post('/groups/:group/roster', who('teacher'), body(RosterFile, ROSTER_LIMIT), async (c) => {
      const group = await people.openGroup(c.get('person'), c.req.param('group'))
      return answer(c, await rosters.take(c.get('person'), group, c.req.valid('json')))
    })

    .put('/groups/:group/students/:person', who('teacher'), body(StudentName), async (c) => {
      const { group, person } = c.req.param()
      const student = await people.member(c.get('person'), group, person, 'student')
      await people.rename(c.get('person'), student, c.req.valid('json').name)
      return done(c)
    })

    .post('/groups/:group/students/:person/password', who('teacher'), async (c) => {
      const { group, person } = c.req.param()
      const student = await people.member(c.get('person'), group, person, 'student')
      return answer(c, await people.resetPassword(c.get('person'), student))
    })

    .post('/groups/:group/members', who('teacher'), body(NewMember), async (c) => {
      const group = await people.openGroup(c.get('person'), c.req.param('group'))
      const { person, from } = c.req.valid('json')
      const student = await people.student(c.get('person'), person)
      await people.takeIn(
        c.get('person'),
        group,
        student,
        from ? await people.openGroup(c.get('person'), from) : null,
      )
      return done(c)
    })

    .get('/students', who('teacher'), async (c) => answer(c, await people.known(c.get('person'))))

    .delete('/groups/:group/members/:person', who('teacher'), async (c) => {
      const group = await people.group(c.get('person'), c.req.param('group'))
      const member = await people.anyMember(c.get('person'), group.id, c.req.param('person'))
      await people.leave(c.get('person'), group, member)
      return done(c)
    })

    .post('/groups/:group/former/:person', who('teacher'), async (c) => {
      const group = await people.openGroup(c.get('person'), c.req.param('group'))
      const former = await people.formerMember(c.get('person'), group.id, c.req.param('person'))
      await people.takeInAgain(c.get('person'), group, former)
      return done(c)
    })

    .post('/groups/:group/requests', who('teacher'), body(JoinAnswer), async (c) => {
      const group = await people.openGroup(c.get('person'), c.req.param('group'))
      const { requests, accept } = c.req.valid('json')
      return answer(c, { renamed: await joining.answer(c.get('person'), group, requests, accept) })
    })

    .post('/groups/:group/teachers', who('teacher'), body(NewTeacher), async (c) => {
      const group = await people.group(c.get('person'), c.req.param('group'))
      return answer(c, { cards: await people.nameTeacher(c.get('person'), group, c.req.valid('json')) })
    })

    .post('/join', who('anyone'), body(JoinRequest), async (c) =>
      answer(c, { group: await joining.ask(c.req.valid('json'), await guard.from(c)) }),
    )

    .post('/people/:person/password', who('teacher'), async (c) => {
      const student = await people.student(c.get('person'), c.req.param('person'))
      return answer(c, await people.resetPassword(c.get('person'), student))
    })

    .get('/people/:person/everything', who('signed-in'), async (c) => {
      const whom = await people.selfOrStudent(c.get('person'), c.req.param('person'))
      return zipAnswer(leaving.everything(whom), 'everything.zip')
    })

    .get('/people/:person/belongings', who('teacher'), async (c) =>
      answer(c, await leaving.belongings(await people.student(c.get('person'), c.req.param('person')))),
    )

    .delete('/people/:person', who('teacher'), async (c) => {
      await leaving.erase(c.get('person'), await people.student(c.get('person'), c.req.param('person')))
      return done(c)
    })
