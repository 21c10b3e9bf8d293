import {
  BriefTrial,
  ChangedAssignment,
  ChangedRubric,
  Extension,
  ModelMix,
  MoreGroups,
  NewAssignment,
  StudentException,
  WRITING_LIMIT,
} from '@rudlo/contract/assignments'
import { readMix } from '@rudlo/core/stored'
import { Hono } from 'hono'
import { answer, done } from '../http/answer'
import { body } from '../http/validated'
import { who, type Env } from '../http/who'
import type { Services } from '../services'

/** Assignments: briefs, models, exceptions, several groups. */
export const assignmentRoutes = (services: Services) => {
  const { assignments, permissions, bundles, writing, severalGroups, handIns } = services
  return new Hono<Env>()
    .get('/assignments', who('signed-in'), async (c) => answer(c, await assignments.cards(c.get('person'))))

    .post('/assignments', who('teacher'), body(NewAssignment, WRITING_LIMIT), async (c) =>
      answer(c, { id: (await writing.create(c.get('person'), c.req.valid('json'))).id }),
    )

    .get('/assignments/:assignment', who('signed-in'), async (c) => {
      const assignment = await permissions.assignment(c.get('person'), c.req.param('assignment'))
      return answer(c, await assignments.view(c.get('person'), assignment))
    })

    .put('/assignments/:assignment', who('teacher'), body(ChangedAssignment, WRITING_LIMIT), async (c) => {
      const assignment = await permissions.openAssignment(c.get('person'), c.req.param('assignment'))
      return answer(c, await writing.change(c.get('person'), assignment, c.req.valid('json')))
    })

    .get('/assignments/:assignment/model', who('signed-in'), async (c) => {
      const assignment = await permissions.assignment(c.get('person'), c.req.param('assignment'))
      return answer(c, await assignments.model(c.get('person'), assignment))
    })

    .put('/assignments/:assignment/model', who('teacher'), body(ModelMix, WRITING_LIMIT), async (c) => {
      const assignment = await permissions.openAssignment(c.get('person'), c.req.param('assignment'))
      await writing.setModel(c.get('person'), assignment, c.req.valid('json').mix)
      return done(c)
    })

    .put('/assignments/:assignment/rubric', who('teacher'), body(ChangedRubric), async (c) => {
      const assignment = await permissions.openAssignment(c.get('person'), c.req.param('assignment'))
      await writing.setRubric(c.get('person'), assignment, c.req.valid('json').rubric)
      return done(c)
    })

    .post('/assignments/:assignment/trial', who('teacher'), body(BriefTrial, WRITING_LIMIT), async (c) => {
      const assignment = await permissions.assignment(c.get('person'), c.req.param('assignment'))
      return answer(c, await assignments.trial(assignment, c.req.valid('json').brief))
    })

    .post('/assignments/:assignment/remeasure', who('teacher'), async (c) => {
      const assignment = await permissions.openAssignment(c.get('person'), c.req.param('assignment'))
      return answer(c, { count: await handIns.remeasure(c.get('person'), assignment) })
    })

    .get('/assignments/:assignment/exceptions', who('teacher'), async (c) =>
      answer(
        c,
        await assignments.exceptions(
          await permissions.assignment(c.get('person'), c.req.param('assignment')),
        ),
      ),
    )

    .put(
      '/assignments/:assignment/exceptions/:person',
      who('teacher'),
      body(StudentException, WRITING_LIMIT),
      async (c) => {
        const assignment = await permissions.openAssignment(c.get('person'), c.req.param('assignment'))
        await writing.except(c.get('person'), assignment, c.req.param('person'), c.req.valid('json'))
        return done(c)
      },
    )

    .post('/assignments/:assignment/extension', who('teacher'), body(Extension), async (c) => {
      const assignment = await permissions.openAssignment(c.get('person'), c.req.param('assignment'))
      return answer(c, { count: await writing.extend(c.get('person'), assignment, c.req.valid('json')) })
    })

    .get('/assignments/:assignment/groups', who('teacher'), async (c) => {
      const assignment = await permissions.assignment(c.get('person'), c.req.param('assignment'))
      return answer(c, await severalGroups.of(c.get('person'), assignment))
    })

    .post('/assignments/:assignment/groups', who('teacher'), body(MoreGroups), async (c) => {
      const assignment = await permissions.assignment(c.get('person'), c.req.param('assignment'))
      const { groups } = c.req.valid('json')
      return answer(c, { count: await severalGroups.give(c.get('person'), assignment, groups) })
    })

    .get('/assignments/:assignment/bundle', who('teacher'), async (c) => {
      const assignment = await permissions.assignment(c.get('person'), c.req.param('assignment'))
      const { songVersionId, startingMix, title } = assignment
      return bundles.answer(songVersionId, readMix(startingMix), title)
    })
}
