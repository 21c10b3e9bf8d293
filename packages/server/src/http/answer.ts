import type { Context, TypedResponse } from 'hono'
import { breath } from './breath'

/** An answer whose type the browser's client knows. */
export type Answer<T, S extends 200 | 204 = 200> = Response & TypedResponse<T, S, 'json'>

/** What is a person's own: no cache between may keep it. */
export const PRIVATE = { 'cache-control': 'private, no-store' } as const

/** Answers with something of the contract. It says how long it is: what is short is not packed, which would take longer than to make it. */
export function answer<T>(c: Context, value: T): Answer<T> {
  const text = JSON.stringify(value)
  const response: Response = c.body(text, 200, {
    ...PRIVATE,
    'content-type': 'application/json',
    'content-length': String(Buffer.byteLength(text)),
  })
  return response as Answer<T>
}

/** Answers that it was done. */
export function done(c: Context): Answer<null, 204> {
  const response: Response = c.body(null, 204, PRIVATE)
  return response as Answer<null, 204>
}

/** A list as JSON text, an entry at a time: between entries the server does other things. */
async function* listed(entries: AsyncIterable<unknown> | Iterable<unknown>): AsyncGenerator<Uint8Array> {
  const encoder = new TextEncoder()
  let before = '['
  for await (const entry of entries) {
    yield encoder.encode(before + JSON.stringify(entry))
    before = ','
    await breath()
  }
  yield encoder.encode(before === '[' ? '[]' : ']')
}

/** Answers with a list of large things that is written while it is sent. */
export function answerList<T>(c: Context, entries: AsyncIterable<T> | Iterable<T>): Answer<T[]> {
  const response: Response = c.body(ReadableStream.from(listed(entries)) as ReadableStream, 200, {
    ...PRIVATE,
    'content-type': 'application/json',
  })
  return response as Answer<T[]>
}

/** Answers with a file that the browser saves. */
export const download = (c: Context, content: string, type: string, fileName: string): Response =>
  c.body(content, 200, {
    ...PRIVATE,
    'content-type': type,
    'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(fileName)}`,
  })

/** Answers with a recording that a person may hear, and nobody keeps. */
export const recording = (
  c: Context,
  { type, audio }: { readonly type: string; readonly audio: Uint8Array },
): Response => c.body(new Uint8Array(audio), 200, { ...PRIVATE, 'content-type': type })
