import { words } from '@rudlo/words'
import type { HttpBindings } from '@hono/node-server'
import { Readable } from 'node:stream'
import type { ReadableStream as WebStream } from 'node:stream/web'
import { check } from '@rudlo/contract/validation'
import type { ClassConstructor } from 'class-transformer'
import type { Context, MiddlewareHandler } from 'hono'
import { bodyLimit } from 'hono/body-limit'
import { breathFor } from './breath'
import { parseJson } from './json'
import { badInput, tooLarge } from './problem'
import type { Env } from './who'

/** Bytes a body may have where its route does not say otherwise. */
export const USUAL_LIMIT = 64 * 1024

/** How many bytes a body says it has: it is cut there by Node. null where it does not say so. */
function saidLength(c: Context): number | null {
  const length = c.req.header('content-length')
  return length === undefined || c.req.header('transfer-encoding') !== undefined ? null : Number(length)
}

/** Counts a body while it comes in, and cuts it at `limit` bytes. @throws Problem 413 */
export function limited(limit: number): MiddlewareHandler<Env> {
  const onError = () => {
    throw tooLarge(words('server.more-kib-sent', { most: Math.round(limit / 1024) }))
  }
  const counted: MiddlewareHandler<Env> = bodyLimit({ maxSize: limit, onError })
  return (c, next) => {
    const length = saidLength(c)
    // to look at the body would make a stream of it, a fifth of a save's cost
    if (length === null) return counted(c, next)
    return length <= limit ? next() : onError()
  }
}

/** The bytes of a body that was limited. */
export const bytesOf = async (c: Context): Promise<Uint8Array<ArrayBuffer>> =>
  new Uint8Array(await c.req.arrayBuffer())

/** A body that was limited, as it comes: for what is large, and is passed on. */
export const piecesOf = (c: Context): Readable => {
  const { incoming } = (c.env ?? {}) as Partial<HttpBindings>
  // one that was not counted on its way in is as Node has it: to make a web stream of it, and of that a stream, costs as much as to
  // write it
  if (incoming && saidLength(c) !== null) return incoming
  const { body } = c.req.raw
  return body ? Readable.fromWeb(body as WebStream) : Readable.from([])
}

/** What a route takes, with the class that says what it must be: the table of routes is read from it. */
export interface Takes {
  readonly takes: {
    readonly in: 'json' | 'query' | 'bytes'
    readonly type: ClassConstructor<object> | null
    readonly limit: number
  }
}

type Json<B> = { in: { json: B }; out: { json: B } }
type Query<Q> = { in: { query: Q }; out: { query: Q } }

/** Reads a JSON body and checks it against its class. @throws Problem 400 or 413 */
export function body<B extends object>(
  type: ClassConstructor<B>,
  limit = USUAL_LIMIT,
): MiddlewareHandler<Env, string, Json<B>> & Takes {
  const count = limited(limit)
  const read: MiddlewareHandler<Env, string, Json<B>> = (c, next) =>
    count(c, async () => {
      const bytes = await bytesOf(c)
      const value = await parseJson(bytes)
      await breathFor(bytes.length)
      const checked = await check(type, value)
      if (!checked.ok) throw badInput(checked.problem)
      c.req.addValidatedData('json', checked.value)
      await next()
    })
  return Object.assign(read, { takes: { in: 'json', type, limit } as const })
}

/** Checks the query of an address against its class. What it does not know is passed over. @throws Problem 400 */
export function query<Q extends object>(
  type: ClassConstructor<Q>,
): MiddlewareHandler<Env, string, Query<Q>> & Takes {
  const read: MiddlewareHandler<Env, string, Query<Q>> = async (c, next) => {
    const checked = await check(type, c.req.query())
    if (!checked.ok) throw badInput(checked.problem)
    c.req.addValidatedData('query', checked.value)
    await next()
  }
  return Object.assign(read, { takes: { in: 'query', type, limit: 0 } as const })
}

/** A body of bytes, which the handler reads by itself. @throws Problem 413 */
export const bytes = (limit: number): MiddlewareHandler<Env> & Takes =>
  Object.assign(limited(limit), { takes: { in: 'bytes', type: null, limit } as const })
