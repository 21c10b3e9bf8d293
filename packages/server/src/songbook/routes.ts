import { MIDI_LIMITS } from '@rudlo/core/midi'
import { MIX_SCHEMA } from '@rudlo/core/mix'
import { IsInt, IsObject, IsString, Length, Max, Min } from 'class-validator'
import { parseRange } from '../http/byte-range'
import { badInput, notFound } from '../http/problem'
import { AsSent } from '../http/as-sent'
import { bytesOf } from '../http/body'
import { route, routeWithBody, routeWithBytes, type Route } from '../http/route'
import type { Person } from '../people/person.entity'
import type { Services } from '../services'
import { CHUNK } from './assets'

/** Content under its own hash never changes: browsers may keep it, shared caches may not. */
const FOR_EVER = 'private, max-age=31536000, immutable'

class UploadBody {
  @IsString()
  @Length(1, 255, { message: 'The name of the file is missing or too long' })
  name!: string

  @IsInt()
  @Min(0)
  @Max(1e12)
  bytes!: number
}

class SongBody {
  @AsSent()
  @IsObject({ message: 'The song is missing' })
  document!: object
}

/** Room for a song with thousands of regions and tempo changes. */
const SONG_LIMIT = 2.5 * 1024 * 1024

export function songbookRoutes({ assets, permissions, songs, uploads, notes }: Services): Route[] {
  const mayHear = async (person: Person, id: string) => {
    const asset = (await permissions.mayHear(person, id)) ? await assets.find(id) : null
    if (!asset) throw notFound()
    return asset
  }
  return [
    route('get', '/api/assets/:asset', 'signed-in', async ({ c, person, param }) => {
      const { id, bytes } = await mayHear(person, param('asset'))
      const tag = `"${id}"`
      const headers = { 'cache-control': FOR_EVER, etag: tag, vary: 'cookie', 'accept-ranges': 'bytes' }
      if (c.req.header('if-none-match') === tag) return new Response(null, { status: 304, headers })
      const range = parseRange(c.req.header('range'), bytes)
      if (range === 'beyond') {
        return new Response(null, { status: 416, headers: { 'content-range': `bytes */${bytes}` } })
      }
      const { from, to } = range === 'all' ? { from: 0, to: bytes - 1 } : range
      const body = await assets.bytes(id, from, to)
      return new Response(new Uint8Array(body), {
        status: range === 'all' ? 200 : 206,
        headers: {
          ...headers,
          'content-type': 'audio/flac',
          'content-length': String(body.length),
          ...(range === 'all' ? {} : { 'content-range': `bytes ${from}-${to}/${bytes}` }),
        },
      })
    }),

    route('get', '/api/assets/:asset/overview', 'signed-in', async ({ person, param }) => {
      const { overview } = await mayHear(person, param('asset'))
      return new Response(new Uint8Array(overview), {
        headers: { 'cache-control': FOR_EVER, vary: 'cookie', 'content-type': 'application/octet-stream' },
      })
    }),

    route('get', '/api/songs', 'teacher', ({ person }) => songs.newest(person)),

    route('get', '/api/songs/:version', 'teacher', async ({ param }) => ({
      document: await songs.version(param('version')),
    })),

    routeWithBody(
      'post',
      '/api/songs',
      'teacher',
      SongBody,
      async ({ person, body }) => songs.keep(person, body.document, null),
      SONG_LIMIT,
    ),

    routeWithBody(
      'put',
      '/api/songs/:song',
      'teacher',
      SongBody,
      async ({ person, param, body }) => songs.keep(person, body.document, param('song')),
      SONG_LIMIT,
    ),

    routeWithBody('post', '/api/uploads', 'teacher', UploadBody, async ({ person, body }) => ({
      id: await uploads.begin(person, body.name, body.bytes),
      chunk: CHUNK,
    })),

    route('get', '/api/uploads/:upload', 'teacher', async ({ person, param }) => {
      const { chunks, bytes } = await uploads.arrived(person, param('upload'))
      return { chunks, bytes }
    }),

    routeWithBytes(
      '/api/uploads/:upload/chunks/:number',
      'teacher',
      async ({ c, person, param }) => {
        if (!/^\d{1,6}$/.test(param('number'))) throw badInput('This piece has no number.')
        const data = Buffer.from(await bytesOf(c))
        await uploads.take(person, param('upload'), Number(param('number')), data)
        return null
      },
      CHUNK,
    ),

    route('post', '/api/uploads/:upload/decode', 'teacher', async ({ person, param }) =>
      uploads.decode(person, param('upload')),
    ),

    routeWithBytes(
      '/api/notes',
      'teacher',
      async ({ c, query }) => {
        const name = (query('name') ?? '').replace(/\.midi?$/i, '').slice(0, 120)
        return notes.play(await bytesOf(c), name || 'New song')
      },
      MIDI_LIMITS.bytes,
    ),

    route('delete', '/api/uploads/:upload', 'teacher', async ({ person, param }) => {
      await uploads.giveUp(person, param('upload'))
      return null
    }),

    route('get', '/schemas/rudlo-mix-1.json', 'anyone', async () => MIX_SCHEMA),
  ]
}
