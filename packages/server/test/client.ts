import type { Hono } from 'hono'

/** An answer of the server, read. */
export interface Answer<T> {
  readonly status: number
  readonly body: T
  readonly headers: Headers
  readonly bytes: Uint8Array
}

/** A browser: keeps its cookie, sends JSON, reads JSON. */
export class Client {
  #cookie = ''

  constructor(private readonly app: Hono) {}

  get cookie(): string {
    return this.#cookie
  }

  /** The answer as it comes. */
  raw(
    method: string,
    path: string,
    headers: Readonly<Record<string, string>> = {},
    body?: unknown,
  ): Promise<Response> {
    return Promise.resolve(
      this.app.request(`http://localhost${path}`, {
        method,
        headers: {
          host: 'localhost',
          ...(this.#cookie ? { cookie: this.#cookie } : {}),
          ...(body === undefined ? {} : { 'content-type': 'application/json' }),
          ...headers,
        },
        ...(body === undefined
          ? {}
          : { body: typeof body === 'string' || body instanceof Uint8Array ? body : JSON.stringify(body) }),
      }),
    )
  }

  async call<T = never>(
    method: string,
    path: string,
    body?: unknown,
    headers: Readonly<Record<string, string>> = {},
  ): Promise<Answer<T>> {
    const response = await this.raw(method, path, headers, body)
    for (const set of response.headers.getSetCookie()) {
      this.#cookie = /Max-Age=0/i.test(set) ? '' : set.split(';')[0]!
    }
    // an open line never ends: whoever wants to read it takes it raw
    const isOpen = response.headers.get('content-type')?.startsWith('text/event-stream')
    if (isOpen) await response.body?.cancel()
    const bytes = isOpen ? new Uint8Array() : new Uint8Array(await response.arrayBuffer())
    const isJson = response.headers.get('content-type')?.includes('json')
    return {
      status: response.status,
      headers: response.headers,
      bytes,
      body: (isJson ? JSON.parse(new TextDecoder().decode(bytes)) : null) as T,
    }
  }

  get = <T = never>(path: string, headers = {}) => this.call<T>('GET', path, undefined, headers)
  post = <T = never>(path: string, body: unknown = {}, headers = {}) =>
    this.call<T>('POST', path, body, headers)
  put = <T = never>(path: string, body: unknown) => this.call<T>('PUT', path, body)
  patch = <T = never>(path: string, body: unknown) => this.call<T>('PATCH', path, body)
  delete = <T = never>(path: string) => this.call<T>('DELETE', path)
}

/** What every refusal looks like. */
export interface Refused {
  readonly error: {
    readonly code: string
    readonly message: string
    readonly newest?: { readonly revision: number }
  }
}
