import type { Context } from 'hono'
import type { Asset } from './entities'
import type { Assets } from './assets'
import { parseRange } from '../http/byte-range'

/** Content under its own hash never changes: browsers may keep it, shared caches may not. */
const FOR_EVER = 'private, max-age=31536000, immutable'

/** A recording as FLAC, or a range of its bytes, from pieces in the database. */
export async function assetAnswer(c: Context, assets: Assets, { id, bytes }: Asset): Promise<Response> {
  const tag = `"${id}"`
  const headers = { 'cache-control': FOR_EVER, etag: tag, vary: 'cookie', 'accept-ranges': 'bytes' }
  if (c.req.header('if-none-match') === tag) return new Response(null, { status: 304, headers })
  const range = parseRange(c.req.header('range'), bytes)
  if (range === 'beyond')
    return new Response(null, { status: 416, headers: { 'content-range': `bytes */${bytes}` } })
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
}

/** The waveform of a recording. */
export const overviewAnswer = ({ overview }: Asset): Response =>
  new Response(new Uint8Array(overview), {
    headers: { 'cache-control': FOR_EVER, vary: 'cookie', 'content-type': 'application/octet-stream' },
  })
