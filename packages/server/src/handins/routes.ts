import { words } from '@rudlo/words'
import {
  Decision,
  GivingBack,
  LinesQuery,
  NewHandIn,
  QueueQuery,
  type OwnVersion,
} from '@rudlo/contract/handins'
import { readWork } from '@rudlo/core/stored'
import { Hono } from 'hono'
import { answer, answerList, done } from '../http/answer'
import { dateOf } from '../http/moment'
import { body, query } from '../http/validated'
import { who, type Env } from '../http/who'
import type { Services } from '../services'
import { handInView } from './views'

/** Handing in and giving back. */
export const handInRoutes = ({ permissions, handIns, looks, partners, measuring, bundles }: Services) =>
  new Hono<Env>()
    .post('/works/:work/hand-ins', who('student'), body(NewHandIn), async (c) => {
      const [person, work] = [c.get('person'), c.req.param('work')]
      const { revision, said = '', writing = [], partner: sent } = c.req.valid('json')
      const partner = sent ? await partners.prove(c, person, work, sent) : null
      const made = await handIns.handIn(person, work, { revision, said, writing, partner })
      return answer<OwnVersion>(c, { ...handInView(made, person.role), review: null })
    })

    .get('/works/:work/hand-ins', who('signed-in'), async (c) =>
      answerList(c, looks.own(await permissions.ownWork(c.get('person'), c.req.param('work')))),
    )

    .get('/assignments/:assignment/hand-ins', who('teacher'), query(QueueQuery), async (c) => {
      const assignment = await permissions.assignment(c.get('person'), c.req.param('assignment'))
      return answer(c, await looks.queue(assignment, c.req.valid('query').state))
    })

    .get('/assignments/:assignment/missing', who('teacher'), async (c) => {
      const assignment = await permissions.assignment(c.get('person'), c.req.param('assignment'))
      return answer(c, await looks.missing(assignment))
    })

    .get('/assignments/:assignment/lines', who('teacher'), query(LinesQuery), async (c) => {
      const assignment = await permissions.assignment(c.get('person'), c.req.param('assignment'))
      return answerList(c, await looks.lines(assignment, c.req.valid('query').lane))
    })

    .post('/assignments/:assignment/give-back', who('teacher'), body(GivingBack), async (c) => {
      const assignment = await permissions.openAssignment(c.get('person'), c.req.param('assignment'))
      const at = dateOf(c.req.valid('json').at) ?? new Date()
      return answer(c, { count: await handIns.giveBackHeld(c.get('person'), assignment, at) })
    })

    .get('/hand-ins/:handIn', who('signed-in'), async (c) => {
      const found = await permissions.handIn(c.get('person'), c.req.param('handIn'))
      return answer(c, await looks.view(c.get('person'), found))
    })

    .get('/hand-ins/:handIn/bundle', who('signed-in'), async (c) => {
      const { handIn, assignment } = await permissions.handIn(c.get('person'), c.req.param('handIn'))
      const { mix } = readWork(handIn.document)
      return bundles.answer(
        handIn.songVersionId,
        mix,
        words('new-name.version', { title: assignment.title, n: handIn.number }),
      )
    })

    .post('/hand-ins/:handIn/give-back', who('teacher'), body(Decision), async (c) => {
      const { handIn } = await permissions.openHandIn(c.get('person'), c.req.param('handIn'))
      const { outcome, hold } = c.req.valid('json')
      await handIns.giveBack(c.get('person'), handIn, outcome, hold ? null : new Date())
      return done(c)
    })

    .post('/hand-ins/:handIn/take-back', who('teacher'), async (c) => {
      const { handIn } = await permissions.openHandIn(c.get('person'), c.req.param('handIn'))
      await handIns.takeBack(c.get('person'), handIn)
      return done(c)
    })

    .post('/hand-ins/:handIn/measure', who('teacher'), async (c) => {
      const { handIn } = await permissions.openHandIn(c.get('person'), c.req.param('handIn'))
      await measuring.again(handIn.id)
      return done(c)
    })

    .post('/hand-ins/:handIn/look', who('teacher'), async (c) => {
      const { handIn } = await permissions.handIn(c.get('person'), c.req.param('handIn'))
      return answer(c, await handIns.look(c.get('person'), handIn))
    })

    .delete('/hand-ins/:handIn', who('student'), async (c) => {
      const { handIn } = await permissions.openHandIn(c.get('person'), c.req.param('handIn'))
      await handIns.withdraw(c.get('person'), handIn)
      return done(c)
    })

    .post('/hand-ins/:handIn/opened', who('student'), async (c) => {
      const { handIn } = await permissions.handIn(c.get('person'), c.req.param('handIn'))
      await handIns.open(handIn)
      return done(c)
    })
