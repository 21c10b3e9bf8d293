import { BenchPresence, LiveWorkQuery, PointedPlace } from '@rudlo/contract/lesson'
import { Hono } from 'hono'
import { answer, done } from '../http/answer'
import { body, query } from '../http/validated'
import { who, type Env } from '../http/who'
import type { Services } from '../services'

/** Who is where during a lesson, help, and places that are pointed at. */
export const lessonRoutes = ({ permissions, people, lessons }: Services) =>
  new Hono<Env>()
    .put('/assignments/:assignment/presence', who('student'), body(BenchPresence), async (c) => {
      const assignment = await permissions.assignment(c.get('person'), c.req.param('assignment'))
      await lessons.note(c.get('person'), assignment, c.req.valid('json'))
      return done(c)
    })

    .get('/groups/:group/lesson', who('teacher'), async (c) =>
      answer(c, await lessons.view(await people.group(c.get('person'), c.req.param('group')))),
    )

    .get('/assignments/:assignment/works/:person', who('teacher'), query(LiveWorkQuery), async (c) => {
      const assignment = await permissions.assignment(c.get('person'), c.req.param('assignment'))
      const { after } = c.req.valid('query')
      return answer(c, await lessons.work(c.get('person'), assignment, c.req.param('person'), after))
    })

    .post('/assignments/:assignment/point', who('teacher'), body(PointedPlace), async (c) => {
      const assignment = await permissions.assignment(c.get('person'), c.req.param('assignment'))
      await lessons.point(assignment, c.req.valid('json'))
      return done(c)
    })

    .delete('/groups/:group/lesson/:person/help', who('teacher'), async (c) => {
      const group = await people.group(c.get('person'), c.req.param('group'))
      await lessons.helped(group, c.req.param('person'))
      return done(c)
    })
