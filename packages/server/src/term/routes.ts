import { ChangedNotes, NewSmallGroup, Sharing } from '@rudlo/contract/term'
import { Hono } from 'hono'
import { answer, done } from '../http/answer'
import { body } from '../http/validated'
import { who, type Env } from '../http/who'
import type { Services } from '../services'

/** The view of a term: a teacher's day, a class, one student. */
export const termRoutes = ({ people, permissions, today, classTerms, studentTerms, smallGroups }: Services) =>
  new Hono<Env>()
    .get('/today', who('teacher'), async (c) => answer(c, await today.view(c.get('person'))))

    .get('/groups/:group/term', who('teacher'), async (c) =>
      answer(c, await classTerms.view(await people.group(c.get('person'), c.req.param('group')))),
    )

    .post('/groups/:group/small-groups', who('teacher'), body(NewSmallGroup), async (c) => {
      const group = await people.openGroup(c.get('person'), c.req.param('group'))
      await smallGroups.make(group, c.req.valid('json'))
      return done(c)
    })

    .delete('/groups/:group/small-groups/:small', who('teacher'), async (c) => {
      const group = await people.group(c.get('person'), c.req.param('group'))
      await smallGroups.part(group, c.req.param('small'))
      return done(c)
    })

    .get('/assignments/:assignment/tasks/:task/strips', who('teacher'), async (c) => {
      const assignment = await permissions.assignment(c.get('person'), c.req.param('assignment'))
      return answer(c, await classTerms.strips(assignment, c.req.param('task')))
    })

    .get('/groups/:group/students/:person/term', who('teacher'), async (c) => {
      const group = await people.group(c.get('person'), c.req.param('group'))
      const student = await people.member(c.get('person'), group.id, c.req.param('person'), 'student')
      return answer(c, await studentTerms.forTeacher(group, student))
    })

    .put('/groups/:group/students/:person/notes', who('teacher'), body(ChangedNotes), async (c) => {
      const group = await people.openGroup(c.get('person'), c.req.param('group'))
      const student = await people.member(c.get('person'), group.id, c.req.param('person'), 'student')
      return answer(c, await studentTerms.note(c.get('person'), group, student, c.req.valid('json')))
    })

    .get('/assignments/:assignment/best/:criterion', who('teacher'), async (c) => {
      const assignment = await permissions.assignment(c.get('person'), c.req.param('assignment'))
      return answer(c, await classTerms.best(assignment, c.req.param('criterion')))
    })

    .put('/term/sharing', who('student'), body(Sharing), async (c) => {
      await studentTerms.share(c.get('person'), c.req.valid('json'))
      return done(c)
    })

    .get('/term', who('student'), async (c) => answer(c, await studentTerms.own(c.get('person'))))
