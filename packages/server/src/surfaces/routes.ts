import { ChangedSurfaces } from '@rudlo/contract/surfaces'
import { Hono } from 'hono'
import { answer, done } from '../http/answer'
import { body } from '../http/validated'
import { who, type Env } from '../http/who'
import type { Services } from '../services'

/** Maps of control surfaces, by person. */
export const surfaceRoutes = ({ surfaces }: Services) =>
  new Hono<Env>()
    .get('/surfaces', who('signed-in'), async (c) =>
      answer(c, { maps: await surfaces.of(c.get('person').id) }),
    )

    .put('/surfaces', who('signed-in'), body(ChangedSurfaces), async (c) => {
      await surfaces.keep(c.get('person').id, c.req.valid('json').maps)
      return done(c)
    })
