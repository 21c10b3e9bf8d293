import type { createApp } from '../src/app'

/** An answer of the server, read. */
export interface Answer<T> {
  readonly status: number
  readonly body: T
  readonly headers: Headers
  readonly bytes: Uint8Array
}

/** A browser: keeps its cookie, sends JSON, reads JSON. */
export class Client {
  readonly #cookies = new Map<string, string>()

  /** @param address where it is, by the network */
  constructor(
    private readonly app: ReturnType<typeof createApp>,
    private readonly address = '127.0.0.1',
  ) {}

  /** The cookie of the session, as it is sent; empty for none. */
  get cookie(): string {
    return this.#sent(([name]) => name === 'rudlo_session')
  }

  /** Another browser at the same place that holds the cookies of this one but its session. */
  signedOut(): Client {
    const other = new Client(this.app, this.address)
    for (const [name, value] of this.#cookies) if (name !== 'rudlo_session') other.#cookies.set(name, value)
    return other
  }

  #sent(wanted: (cookie: [string, string]) => boolean = () => true): string {
    return [...this.#cookies]
      .filter(wanted)
      .map(([name, value]) => `${name}=${value}`)
      .join('; ')
  }

  /** The answer as it comes. */
  raw(
    method: string,
    path: string,
    headers: Readonly<Record<string, string>> = {},
    body?: unknown,
  ): Promise<Response> {
    const cookies = this.#sent()
    const request = `http://localhost${path}`
    // as the adapter tells it
    const env = { incoming: { socket: { remoteAddress: this.address, remotePort: 1, remoteFamily: 'IPv4' } } }
    return Promise.resolve(
      this.app.request(
        request,
        {
          method,
          headers: {
            host: 'localhost',
            ...(cookies ? { cookie: cookies } : {}),
            ...(body === undefined ? {} : { 'content-type': 'application/json' }),
            ...headers,
          },
          ...(body === undefined
            ? {}
            : { body: typeof body === 'string' || body instanceof Uint8Array ? body : JSON.stringify(body) }),
        },
        env,
      ),
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
      const [name = '', value = ''] = set.split(';')[0]!.split('=')
      if (/Max-Age=0/i.test(set)) this.#cookies.delete(name)
      else this.#cookies.set(name, value)
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
