import { DemoSignIn, FirstTeacher, OwnPassword, SignIn } from '@rudlo/contract/access'
import { Hono } from 'hono'
import { answer, done } from '../http/answer'
import { body } from '../http/validated'
import { who, type Env } from '../http/who'
import type { Services } from '../services'

/** Signing in and out, sessions, an own password. */
export const accessRoutes = ({ access, sessions }: Services) =>
  new Hono<Env>()
    .get('/session', who('anyone'), async (c) => answer(c, await access.whoIsHere(c.get('person'))))

    .post('/session', who('anyone'), body(SignIn), async (c) =>
      answer(c, await access.signIn(c, c.req.valid('json'))),
    )

    .post('/demo-session', who('anyone'), body(DemoSignIn), async (c) =>
      answer(c, await access.signInToDemo(c, c.req.valid('json').person)),
    )

    .post('/first-teacher', who('anyone'), body(FirstTeacher), async (c) =>
      answer(c, await access.firstTeacher(c, c.req.valid('json'))),
    )

    .put('/session/password', who('signed-in'), body(OwnPassword), async (c) =>
      answer(c, await access.changePassword(c, c.get('person'), c.req.valid('json'))),
    )

    .get('/sessions', who('signed-in'), async (c) => answer(c, await sessions.of(c, c.get('person').id)))

    .delete('/sessions/:session', who('signed-in'), async (c) => {
      await sessions.endOne(c.get('person').id, c.req.param('session'))
      return done(c)
    })

    .delete('/session', who('anyone'), async (c) => {
      await sessions.end(c)
      return done(c)
    })
