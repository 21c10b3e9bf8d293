import { ChangedScheme, Excuse, OverallMark } from '@rudlo/contract/grades'
import { words } from '@rudlo/words'
import { Hono } from 'hono'
import { answer, done, download } from '../http/answer'
import { body } from '../http/validated'
import { who, type Env } from '../http/who'
import { fileName, textEntry, zipAnswer } from '../http/zip'
import type { Services } from '../services'

/** Marks of a class. */
export const gradeRoutes = ({ people, permissions, grades, gradeTables }: Services) =>
  new Hono<Env>()
    .get('/groups/:group/grades', who('teacher'), async (c) =>
      answer(c, await grades.view(await people.group(c.get('person'), c.req.param('group')))),
    )

    .put('/groups/:group/grades', who('teacher'), body(ChangedScheme), async (c) => {
      const group = await people.openGroup(c.get('person'), c.req.param('group'))
      return answer(c, await grades.setScheme(c.get('person'), group, c.req.valid('json')))
    })

    .put('/groups/:group/grades/:person', who('teacher'), body(OverallMark), async (c) => {
      const group = await people.openGroup(c.get('person'), c.req.param('group'))
      const student = await people.member(c.get('person'), group.id, c.req.param('person'), 'student')
      await grades.setOverall(c.get('person'), group, student, c.req.valid('json'))
      return done(c)
    })

    .put('/assignments/:assignment/excused/:person', who('teacher'), body(Excuse), async (c) => {
      const assignment = await permissions.openAssignment(c.get('person'), c.req.param('assignment'))
      const student = await people.member(
        c.get('person'),
        assignment.groupId,
        c.req.param('person'),
        'student',
      )
      await grades.excuse(c.get('person'), assignment, student, c.req.valid('json'))
      return done(c)
    })

    .get('/groups/:group/grades.csv', who('teacher'), async (c) => {
      const group = await people.group(c.get('person'), c.req.param('group'))
      return download(
        c,
        await gradeTables.csv(group),
        'text/csv; charset=utf-8',
        `${fileName(group.name)} ${words('archive.marks')}.csv`,
      )
    })

    .get('/groups/:group/results.zip', who('teacher'), async (c) => {
      const group = await people.group(c.get('person'), c.req.param('group'))
      const files = await gradeTables.oneRoster(group)
      return zipAnswer(
        Object.entries(files).map(([name, text]) => textEntry(name, text)),
        `${fileName(group.name)} OneRoster.zip`,
      )
    })
