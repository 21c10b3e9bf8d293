import { ArchiveQuery } from '@rudlo/contract/people'
import { Hono } from 'hono'
import { query } from '../http/validated'
import { who, type Env } from '../http/who'
import { fileName, zipAnswer } from '../http/zip'
import type { Services } from '../services'

/** Everything of a class in one file. */
export const archiveRoutes = ({ people, archive }: Services) =>
  new Hono<Env>().get('/groups/:group/archive.zip', who('teacher'), query(ArchiveQuery), async (c) => {
    const group = await people.group(c.get('person'), c.req.param('group'))
    const { sound = 'yes' } = c.req.valid('query')
    return zipAnswer(archive.files(group, { sound: sound === 'yes' }), `${fileName(group.name)}.zip`)
  })
