import { HappeningsQuery } from '@rudlo/contract/live'
import { check } from '@rudlo/contract/validation'
import { Hono } from 'hono'
import { streamSSE } from 'hono/streaming'
import { answer } from '../http/answer'
import { badInput } from '../http/problem'
import { query } from '../http/validated'
import { who, type Env } from '../http/who'
import type { Services } from '../services'

/** What happens elsewhere, told to pages. */
export const liveRoutes = ({ happenings, lines, sessions }: Services) =>
  new Hono<Env>()
    .get('/happenings', who('signed-in'), query(HappeningsQuery), async (c) =>
      answer(c, await happenings.after(c.get('person').id, c.req.valid('query').after || null)),
    )

    // a browser that was cut off says by its own header from where on it wants to know
    .get('/happenings/live', who('signed-in'), query(HappeningsQuery), async (c) => {
      const last = { after: c.req.header('last-event-id') ?? c.req.valid('query').after }
      const asked = await check(HappeningsQuery, last)
      if (!asked.ok) throw badInput(asked.problem)
      const [person, holds] = [c.get('person'), sessions.stillHolds(c)]
      return streamSSE(c, (stream) => lines.run(stream, person.id, asked.value.after || null, holds))
    })
