import { MIX_SCHEMA } from '@rudlo/core/mix'
import { parseRange } from '../http/byte-range'
import { notFound } from '../http/problem'
import { route, type Route } from '../http/route'
import type { Services } from '../services'

/** Content under its own hash never changes: browsers may keep it, shared caches may not. */
const FOR_EVER = 'private, max-age=31536000, immutable'

export function songbookRoutes({ assets, permissions }: Services): Route[] {
  const mayHear = async (personId: string, id: string) => {
    const asset = (await permissions.mayHear(personId, id)) ? await assets.find(id) : null
    if (!asset) throw notFound()
    return asset
  }
  return [
    route('get', '/api/assets/:asset', 'signed-in', async ({ c, person, param }) => {
      const { id, bytes } = await mayHear(person.id, param('asset'))
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
      const { overview } = await mayHear(person.id, param('asset'))
      return new Response(new Uint8Array(overview), {
        headers: { 'cache-control': FOR_EVER, vary: 'cookie', 'content-type': 'application/octet-stream' },
      })
    }),

    route('get', '/schemas/rudlo-mix-1.json', 'anyone', async () => MIX_SCHEMA),
  ]
}
