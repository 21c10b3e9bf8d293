import { noteTime } from './clock'

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

/** So often something is asked again that the server was too busy for: it says that nothing was done. */
const AGAIN = 3
const MOST_WAIT_MS = 5000

const onSignedOut = new Set<() => void>()
/** Calls back whenever the server says that nobody is signed in here. @returns ends that */
export function whenSignedOut(tell: () => void): () => void {
  onSignedOut.add(tell)
  return () => void onSignedOut.delete(tell)
}

async function answered(ask: () => Promise<Response>, again = AGAIN): Promise<Response> {
  let response: Response
  try {
    response = await ask()
  } catch {
    throw new Unreachable()
  }
  noteTime(response)
  if (response.ok) return response
  const problem = (await response.json().catch(() => null)) as { error?: Record<string, unknown> } | null
  const { code, message, ...details } = problem?.error ?? {}
  if (code === 'busy' && again > 0) {
    const wait = Number(response.headers.get('retry-after')) * 1000 || 1000
    await new Promise((resolve) => setTimeout(resolve, Math.min(MOST_WAIT_MS, wait)))
    return answered(ask, again - 1)
  }
  if (response.status === 502 || response.status === 503 || response.status === 504) throw new Unreachable()
  if (code === 'not-signed-in') for (const tell of onSignedOut) tell()
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
