import { NewUpload, NotesQuery, SONG_LIMIT, SongArchived, SongToKeep } from '@rudlo/contract/songbook'
import { MUSICXML_LIMITS } from '@rudlo/core/musicxml'
import { Hono } from 'hono'
import { answer, done } from '../http/answer'
import { body, bytes, bytesOf, piecesOf, query } from '../http/validated'
import { who, type Env } from '../http/who'
import type { Services } from '../services'
import { assetAnswer, overviewAnswer } from './asset-answer'
import { PIECE } from './uploads'

/** Songs, their audio, and how they come in. */
export const songbookRoutes = ({ assets, permissions, songs, uploads, notes }: Services) =>
  new Hono<Env>()
    .get('/assets/:asset', who('signed-in'), async (c) => {
      const id = await permissions.asset(c.get('person'), c.req.param('asset'))
      return assetAnswer(c, assets, await assets.need(id))
    })

    .get('/assets/:asset/overview', who('signed-in'), async (c) => {
      const id = await permissions.asset(c.get('person'), c.req.param('asset'))
      return overviewAnswer(await assets.need(id))
    })

    .get('/songs', who('teacher'), async (c) => answer(c, await songs.newest(c.get('person'))))

    .get('/songs/:version', who('teacher'), async (c) => answer(c, await songs.view(c.req.param('version'))))

    .post('/songs', who('teacher'), body(SongToKeep, SONG_LIMIT), async (c) =>
      answer(c, await songs.keep(c.get('person'), c.req.valid('json'), null)),
    )

    .put('/songs/:song', who('teacher'), body(SongToKeep, SONG_LIMIT), async (c) =>
      answer(c, await songs.keep(c.get('person'), c.req.valid('json'), c.req.param('song'))),
    )

    .patch('/songs/:song', who('teacher'), body(SongArchived), async (c) => {
      await songs.archive(c.get('person'), c.req.param('song'), c.req.valid('json').archived)
      return done(c)
    })

    .post('/uploads', who('teacher'), body(NewUpload), async (c) => {
      const { name, bytes: size } = c.req.valid('json')
      return answer(c, { id: await uploads.begin(c.get('person'), name, size), chunk: PIECE })
    })

    .get('/uploads/:upload', who('teacher'), async (c) => {
      const { chunks, bytes: arrived } = await uploads.arrived(c.get('person'), c.req.param('upload'))
      return answer(c, { chunks, bytes: arrived })
    })

    .post('/uploads/:upload/chunks/:number', who('teacher'), bytes(PIECE), async (c) => {
      const { upload, number } = c.req.param()
      await uploads.take(c.get('person'), upload, number, piecesOf(c))
      return done(c)
    })

    .post('/uploads/:upload/decode', who('teacher'), async (c) =>
      answer(c, await uploads.decode(c.get('person'), c.req.param('upload'))),
    )

    .post('/uploads/:upload/bundle', who('teacher'), async (c) =>
      answer(c, await uploads.unpack(c.get('person'), c.req.param('upload'))),
    )

    .delete('/uploads/:upload', who('teacher'), async (c) => {
      await uploads.giveUp(c.get('person'), c.req.param('upload'))
      return done(c)
    })

    .post('/notes', who('teacher'), query(NotesQuery), bytes(MUSICXML_LIMITS.bytes), async (c) =>
      answer(c, await notes.play(await bytesOf(c), c.req.valid('query').name)),
    )
