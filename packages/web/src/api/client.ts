import { isErrorAnswer, type ErrorCode } from '@rudlo/contract/errors'
import type { Api } from '@rudlo/server/api'
import { hc, type ClientResponse } from 'hono/client'
import { t } from '../words/t'
import { noteTime } from '../browser/clock'
import { noteAway } from './away'
import { ApiError, Unreachable } from './errors'
import { isKeptKind, keepAnswer, keptAnswer, keptFor } from './kept-answers'
import { isNobodyThere } from './nobody-there'

/** So often something is asked again that the server was too busy for: it says that nothing was done. */
const AGAIN = 3
const MOST_WAIT_MS = 5000

const onSignedOut = new Set<() => void>()
/** Calls back whenever the server says that nobody is signed in here. @returns ends that */
export function whenSignedOut(tell: () => void): () => void {
  onSignedOut.add(tell)
  return () => void onSignedOut.delete(tell)
}

/** How many sessions began in this page. */
let sessions = 0
/** Somebody signed in: what is answered to questions from before says nothing of this session. */
export const sessionBegan = (): void => void sessions++

/** Asks, and gives back an answer that is a success. @throws ApiError or Unreachable */
async function answered(ask: () => Promise<Response>, again = AGAIN): Promise<Response> {
  let response: Response
  const of = sessions
  try {
    response = await ask()
  } catch {
    throw new Unreachable()
  }
  noteTime(response)
  if (response.ok) return response
  const said: unknown = await response.json().catch(() => null)
  const problem = isErrorAnswer(said) ? said.error : null
  if (problem?.code === 'busy' && again > 0) {
    const wait = Number(response.headers.get('retry-after')) * 1000 || 1000
    await new Promise((resolve) => setTimeout(resolve, Math.min(MOST_WAIT_MS, wait)))
    return answered(ask, again - 1)
  }
  if (isNobodyThere(response)) throw new Unreachable()
  const code: ErrorCode = problem?.code ?? 'fault'
  if (code === 'not-signed-in' && of === sessions) for (const tell of onSignedOut) tell()
  throw new ApiError(response.status, code, problem?.message ?? t('ui.fault'), problem ?? {})
}

/** What was kept is taken where the server has said nothing for so long: a network may be there and carry nothing. */
export const PATIENCE_MS = 15_000

/**
 * Asks; where the server is away, gives back what it said the last time, if this browser kept that.
 * @throws ApiError or Unreachable
 */
async function asked(address: RequestInfo | URL, init?: RequestInit): Promise<Response> {
  const where = String(address instanceof Request ? address.url : address)
  const isQuestion = (init?.method ?? 'GET').toUpperCase() === 'GET'
  const isShort = isQuestion && isKeptKind(where)
  const patience = () => (isShort ? { signal: AbortSignal.timeout(PATIENCE_MS) } : {})
  const whose = keptFor()
  try {
    const answer = await answered(() => fetch(address, { ...patience(), ...init }))
    noteAway(false)
    if (isQuestion) keepAnswer(where, answer, whose)
    return answer
  } catch (error) {
    const isAway = error instanceof Unreachable
    noteAway(isAway)
    const known = isAway && isQuestion ? await keptAnswer(where) : undefined
    if (!known) throw error
    return known
  }
}

/** Everything that the server can be asked, with the types of its own routes. */
export const server = hc<Api>('/', { fetch: asked }).api

/**
 * What the server answers, read.
 * @throws ApiError with the server's sentence, Unreachable where it could not be asked
 */
export async function told<T>(asked: Promise<ClientResponse<T>>): Promise<T> {
  const response = await asked
  // where there is nothing to say, the type says so too
  return response.status === 204 ? (null as T) : ((await response.json()) as T)
}

/** The bytes of an answer. @throws ApiError or Unreachable */
export async function bytesOf(asked: Promise<Response>): Promise<Uint8Array<ArrayBuffer>> {
  return new Uint8Array(await (await asked).arrayBuffer())
}
