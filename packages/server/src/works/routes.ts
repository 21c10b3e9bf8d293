import { ClaimedWindow, HintWanted, NewTry, Save, SAVE_LIMIT, TriedTask } from '@rudlo/contract/works'
import { Hono } from 'hono'
import { answer, answerList, done } from '../http/answer'
import { body } from '../http/validated'
import { remembered, who, type Env } from '../http/who'
import type { Services } from '../services'
import { headView, workView } from './views'

/** Works of students: opening, saving, tries, hints. */
export const workRoutes = ({ permissions, works, bundles, hints }: Services) =>
  new Hono<Env>()
    .post('/assignments/:assignment/work', who('signed-in'), async (c) => {
      const assignment = await permissions.assignment(c.get('person'), c.req.param('assignment'))
      const work = await works.open(c.get('person'), assignment)
      return answer(c, workView(work, await works.now(work)))
    })

    .get('/works/:work', who('signed-in'), async (c) => {
      const work = await permissions.ownWork(c.get('person'), c.req.param('work'))
      return answer(c, workView(work, await works.now(work)))
    })

    .patch('/works/:work', remembered, body(Save, SAVE_LIMIT), async (c) =>
      answer(c, await works.save(c.get('remembered'), c.req.param('work'), c.req.valid('json'))),
    )

    .get('/works/:work/head', who('signed-in'), async (c) =>
      answer(c, headView(await permissions.ownWork(c.get('person'), c.req.param('work')))),
    )

    .get('/works/:work/bundle', who('signed-in'), async (c) => {
      const work = await permissions.ownWork(c.get('person'), c.req.param('work'))
      const { songVersionId, title } = await permissions.assignment(c.get('person'), work.assignmentId)
      return bundles.answer(songVersionId, (await works.now(work)).document.mix, title)
    })

    .put('/works/:work/window', who('signed-in'), body(ClaimedWindow), async (c) => {
      const work = await permissions.ownWork(c.get('person'), c.req.param('work'))
      await works.claim(work, c.req.valid('json').window)
      return done(c)
    })

    .get('/works/:work/hints', who('signed-in'), async (c) => {
      const { id } = await permissions.ownWork(c.get('person'), c.req.param('work'))
      return answer(c, await hints.opened(id))
    })

    .post('/works/:work/hints', who('signed-in'), body(HintWanted), async (c) => {
      const work = await permissions.ownWork(c.get('person'), c.req.param('work'))
      const assignment = await permissions.assignment(c.get('person'), work.assignmentId)
      return answer(c, await hints.open(c.get('person'), work, assignment, c.req.valid('json')))
    })

    .get('/works/:work/asked', who('signed-in'), async (c) => {
      const { id } = await permissions.ownWork(c.get('person'), c.req.param('work'))
      return answer(c, await hints.tries(id))
    })

    .post('/works/:work/asked', who('signed-in'), body(TriedTask), async (c) => {
      const work = await permissions.ownWork(c.get('person'), c.req.param('work'))
      const assignment = await permissions.assignment(c.get('person'), work.assignmentId)
      await hints.count(c.get('person'), work, assignment, c.req.valid('json').task)
      return done(c)
    })

    .get('/works/:work/tries', who('signed-in'), async (c) =>
      answerList(c, works.tries(await permissions.ownWork(c.get('person'), c.req.param('work')))),
    )

    .post('/works/:work/tries', who('signed-in'), body(NewTry, SAVE_LIMIT), async (c) => {
      const work = await permissions.ownWork(c.get('person'), c.req.param('work'))
      const { name, document } = c.req.valid('json')
      return answer(c, await works.keepTry(work, name, document))
    })
