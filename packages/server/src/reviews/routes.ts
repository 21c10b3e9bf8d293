import {
  ChangedRemark,
  ChangedReview,
  MarksQuery,
  NewBankRemark,
  NewRemark,
  NewReply,
  REMARK_LIMIT,
  RemarkDone,
  RemarkForMany,
  SPOKEN_LIMIT,
  SpokenRemark,
} from '@rudlo/contract/reviews'
import { Hono } from 'hono'
import { answer, done, download, recording } from '../http/answer'
import { fileName } from '../http/zip'
import { body, query } from '../http/validated'
import { who, type Env } from '../http/who'
import type { Services } from '../services'

/** Marks, remarks, replies, and the bank of remarks. */
export const reviewRoutes = ({ permissions, people, reviews, remarks, bank, marks, songs }: Services) => {
  /** The class and the assignment, so that tables of several lie apart. */
  const tableName = async ({ groupId, title }: { groupId: string; title: string }, table: string) =>
    `${fileName([await people.groupName(groupId), title, table].join(' '))}.csv`
  return new Hono<Env>()
    .get('/assignments/:assignment/marks.csv', who('teacher'), query(MarksQuery), async (c) => {
      const assignment = await permissions.assignment(c.get('person'), c.req.param('assignment'))
      const { table = 'students' } = c.req.valid('query')
      const song = await songs.version(assignment.songVersionId)
      return download(
        c,
        await marks.csv(assignment, song, table),
        'text/csv; charset=utf-8',
        await tableName(assignment, table),
      )
    })

    .get('/assignments/:assignment/overruled', who('teacher'), async (c) =>
      answer(
        c,
        await reviews.overruledChecks(
          await permissions.assignment(c.get('person'), c.req.param('assignment')),
        ),
      ),
    )

    .put('/hand-ins/:handIn/review', who('teacher'), body(ChangedReview), async (c) => {
      const { handIn, assignment } = await permissions.openHandIn(c.get('person'), c.req.param('handIn'))
      return answer(c, await reviews.change(c.get('person'), handIn, assignment, c.req.valid('json')))
    })

    .post('/hand-ins/:handIn/remarks', who('teacher'), body(NewRemark, REMARK_LIMIT), async (c) => {
      const { handIn } = await permissions.openHandIn(c.get('person'), c.req.param('handIn'))
      return answer(c, await remarks.add(c.get('person'), handIn, c.req.valid('json')))
    })

    .post('/hand-ins/:handIn/spoken', who('teacher'), body(SpokenRemark, SPOKEN_LIMIT), async (c) => {
      const { handIn } = await permissions.openHandIn(c.get('person'), c.req.param('handIn'))
      return answer(c, await remarks.addSpoken(c.get('person'), handIn, c.req.valid('json')))
    })

    .get('/hand-ins/:handIn/remarks/:remark/spoken', who('signed-in'), async (c) => {
      const { handIn, remark } = c.req.param()
      return recording(c, await remarks.spoken(c.get('person'), handIn, remark))
    })

    .post('/remarks', who('teacher'), body(RemarkForMany, REMARK_LIMIT), async (c) =>
      answer(c, { count: await remarks.addToMany(c.get('person'), c.req.valid('json')) }),
    )

    .put(
      '/hand-ins/:handIn/remarks/:remark',
      who('teacher'),
      body(ChangedRemark, REMARK_LIMIT),
      async (c) => {
        const { handIn } = await permissions.openHandIn(c.get('person'), c.req.param('handIn'))
        return answer(c, await remarks.change(handIn, c.req.param('remark'), c.req.valid('json')))
      },
    )

    .delete('/hand-ins/:handIn/remarks/:remark', who('teacher'), async (c) => {
      const { handIn } = await permissions.openHandIn(c.get('person'), c.req.param('handIn'))
      await remarks.remove(handIn, c.req.param('remark'))
      return done(c)
    })

    .post('/hand-ins/:handIn/remarks/:remark/replies', who('signed-in'), body(NewReply), async (c) => {
      const { handIn, remark } = c.req.param()
      return answer(c, await remarks.reply(c.get('person'), handIn, remark, c.req.valid('json').text))
    })

    .put('/hand-ins/:handIn/remarks/:remark/done', who('student'), body(RemarkDone), async (c) => {
      const { handIn, remark } = c.req.param()
      await remarks.tick(c.get('person'), handIn, remark, c.req.valid('json').done)
      return done(c)
    })

    .get('/bank', who('teacher'), async (c) => answer(c, await bank.of(c.get('person').id)))

    .post('/bank', who('teacher'), body(NewBankRemark), async (c) =>
      answer(c, await bank.add(c.get('person').id, c.req.valid('json'))),
    )

    .post('/bank/usual', who('teacher'), async (c) => answer(c, await bank.addUsual(c.get('person').id)))

    .put('/bank/:bank', who('teacher'), body(NewBankRemark), async (c) =>
      answer(c, await bank.change(c.get('person').id, c.req.param('bank'), c.req.valid('json'))),
    )

    .delete('/bank/:bank', who('teacher'), async (c) => {
      await bank.drop(c.get('person').id, c.req.param('bank'))
      return done(c)
    })
}
