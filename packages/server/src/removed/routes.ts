import { Restoring } from '@rudlo/contract/removed'
import { Hono } from 'hono'
import { answer, done } from '../http/answer'
import { body } from '../http/validated'
import { who, type Env } from '../http/who'
import type { Services } from '../services'

/** Removing things, and having them back for a while. */
export const removalRoutes = ({ permissions, people, removal }: Services) =>
  new Hono<Env>()
    .get('/removed', who('teacher'), async (c) => answer(c, await removal.of(c.get('person'))))

    .post('/removed', who('teacher'), body(Restoring), async (c) => {
      const { kind, id } = c.req.valid('json')
      await removal.restore(c.get('person'), kind, id)
      return done(c)
    })

    .get('/assignments/:assignment/hanging', who('teacher'), async (c) =>
      answer(
        c,
        await removal.onAssignment(await permissions.assignment(c.get('person'), c.req.param('assignment'))),
      ),
    )

    .delete('/assignments/:assignment', who('teacher'), async (c) => {
      const assignment = await permissions.openAssignment(c.get('person'), c.req.param('assignment'))
      await removal.removeAssignment(c.get('person'), assignment)
      return done(c)
    })

    .get('/groups/:group/hanging', who('teacher'), async (c) =>
      answer(c, await removal.onClass(await people.group(c.get('person'), c.req.param('group')))),
    )

    .delete('/groups/:group', who('teacher'), async (c) => {
      await removal.removeClass(c.get('person'), await people.group(c.get('person'), c.req.param('group')))
      return done(c)
    })

    .delete('/songs/:song', who('teacher'), async (c) => {
      await removal.removeSong(c.get('person'), c.req.param('song'))
      return done(c)
    })
