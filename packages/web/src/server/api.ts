/** What the server refused, with its sentence for people. */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    message: string,
    readonly details: Readonly<Record<string, unknown>> = {},
  ) {
    super(message)
  }
}

/** The server could not be reached, or its database could not: worth trying again. */
export class Unreachable extends Error {
  constructor() {
    super('The server cannot be reached just now.')
  }
}

function call(method: string, path: string, body?: unknown): Promise<Response> {
  return answered(() =>
    fetch(path, {
      method,
      ...(body === undefined
        ? {}
        : { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
    }),
  )
}

async function answered(ask: () => Promise<Response>): Promise<Response> {
  let response: Response
  try {
    response = await ask()
  } catch {
    throw new Unreachable()
  }
  if (response.ok) return response
  if (response.status === 502 || response.status === 503 || response.status === 504) throw new Unreachable()
  const problem = (await response.json().catch(() => null)) as { error?: Record<string, unknown> } | null
  const { code, message, ...details } = problem?.error ?? {}
  throw new ApiError(
    response.status,
    String(code ?? 'fault'),
    String(message ?? 'Something went wrong.'),
    details,
  )
}

async function json<T>(method: string, path: string, body?: unknown): Promise<T> {
  const response = await call(method, path, body)
  return (response.status === 204 ? null : await response.json()) as T
}

export const get = <T>(path: string) => json<T>('GET', path)
export const post = <T>(path: string, body: unknown = {}) => json<T>('POST', path, body)
export const put = <T>(path: string, body: unknown) => json<T>('PUT', path, body)
export const patch = <T>(path: string, body: unknown) => json<T>('PATCH', path, body)
export const remove = <T>(path: string) => json<T>('DELETE', path)

/** Sends bytes as they are. @throws ApiError or Unreachable */
export async function postBytes(path: string, body: ArrayBuffer | Blob): Promise<Response> {
  return answered(() => fetch(path, { method: 'POST', body }))
}

/** Sends a file as it is, and reads the answer. */
export async function postFile<T>(path: string, file: Blob): Promise<T> {
  return (await (await postBytes(path, file)).json()) as T
}

export async function fetchBytes(path: string): Promise<Uint8Array<ArrayBuffer>> {
  return new Uint8Array(await (await call('GET', path)).arrayBuffer())
}
