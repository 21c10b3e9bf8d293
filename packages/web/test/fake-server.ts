import { ApiError, Unreachable } from '../src/api/errors'
import { vi } from 'vitest'

/** What a test says that the server answers: by method, with the path and what was sent. */
interface Answers {
  get?(path: string): unknown
  post?(path: string, sent?: unknown): unknown
  put?(path: string, sent?: unknown): unknown
  patch?(path: string, sent?: unknown): unknown
  remove?(path: string): unknown
  /** What is sent as bytes, by whatever method. */
  bytes?(path: string, sent?: unknown): unknown
}

const METHODS = { GET: 'get', POST: 'post', PUT: 'put', PATCH: 'patch', DELETE: 'remove' } as const

/**
 * Puts a server in place of the network. An error that an answer throws is sent as the server sends it; Unreachable cuts the
 * connection.
 */
export function serveWith(answers: Answers): void {
  vi.stubGlobal('fetch', async (input: RequestInfo | URL, init?: RequestInit): Promise<Response> => {
    const path = String(input instanceof Request ? input.url : input)
    const { body, method = 'GET' } = init ?? {}
    const isText = typeof body === 'string'
    const kind = body && !isText ? 'bytes' : METHODS[method.toUpperCase() as keyof typeof METHODS]
    const sent: unknown = isText ? JSON.parse(body) : body
    try {
      const said = await (sent === undefined || sent === null
        ? answers[kind]?.(path)
        : answers[kind]?.(path, sent))
      if (said instanceof Response) return said
      return said === undefined || said === null ? new Response(null, { status: 204 }) : Response.json(said)
    } catch (error) {
      if (error instanceof Unreachable) throw new TypeError('Failed to fetch')
      const refused =
        error instanceof ApiError ? error : new ApiError(400, 'bad-input', (error as Error).message)
      const { status, code, message, details } = refused
      return Response.json({ error: { ...details, code, message } }, { status })
    }
  })
}
