import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { bytesOf, server, told, whenSignedOut } from './client'
import { now } from '../browser/clock'
import { ApiError, Unreachable } from './errors'

const fetched = vi.fn<typeof fetch>()
beforeEach(() => vi.stubGlobal('fetch', fetched))
afterEach(() => {
  vi.unstubAllGlobals()
  fetched.mockReset()
})

const answer = (body: unknown, status = 200) =>
  fetched.mockResolvedValueOnce(new Response(body === null ? null : JSON.stringify(body), { status }))
/** What went out last. */
const sent = () => {
  const [path, init] = fetched.mock.calls.at(-1)!
  return { path, ...init }
}
const ask = () => told(server.groups.$get())

describe('asking the server', () => {
  it('gives what it answers, and nothing where it has nothing to say', async () => {
    answer([{ id: 'g' }])
    expect(await ask()).toEqual([{ id: 'g' }])
    expect(sent()).toMatchObject({ path: '/api/groups', method: 'GET' })
    expect(sent().body).toBeUndefined()
    answer(null, 204)
    expect(await told(server.bank[':bank'].$delete({ param: { bank: 'b' } }))).toBeNull()
    expect(sent()).toMatchObject({ path: '/api/bank/b', method: 'DELETE' })
  })

  it('sends a body as JSON, and a query in the address', async () => {
    answer({ id: 'g' })
    await told(server.groups.$post({ json: { name: 'Grün', place: '' } }))
    expect(sent()).toMatchObject({ method: 'POST' })
    expect(new Headers(sent().headers).get('content-type')).toBe('application/json')
    expect(JSON.parse(String(sent().body))).toEqual({ name: 'Grün', place: '' })
    answer([])
    const lines = server.assignments[':assignment'].lines
    await told(lines.$get({ param: { assignment: 'a' }, query: { lane: 'track/reed/level' } }))
    expect(sent().path).toBe('/api/assignments/a/lines?lane=track%2Freed%2Flevel')
  })

  it('sends bytes as they are, and reads bytes', async () => {
    fetched.mockResolvedValueOnce(new Response(Uint8Array.of(1, 2, 3)))
    expect([...(await bytesOf(server.assets[':asset'].$get({ param: { asset: 'a' } })))]).toEqual([1, 2, 3])
    answer({ document: {}, mix: null })
    const file = new Blob(['MThd'])
    await told(server.notes.$post({ query: { name: 'a.mid' } }, { init: { body: file } }))
    expect(sent()).toMatchObject({ path: '/api/notes?name=a.mid', body: file })
  })
})

describe('what goes wrong', () => {
  it('is told in the server’s own sentence, with what belongs to it', async () => {
    answer({ error: { code: 'not-now', message: 'Somebody else was faster.', newest: { revision: 3 } } }, 409)
    const error = await ask().catch((e: unknown) => e as ApiError)
    expect(error).toBeInstanceOf(ApiError)
    expect(error).toMatchObject({
      status: 409,
      code: 'not-now',
      message: 'Somebody else was faster.',
      details: { newest: { revision: 3 } },
    })
  })

  it('has a sentence where the server has none', async () => {
    fetched.mockResolvedValueOnce(new Response('<html>', { status: 500 }))
    await expect(ask()).rejects.toMatchObject({ code: 'fault', message: 'Something went wrong.' })
    answer({ something: 'else' }, 400)
    await expect(ask()).rejects.toMatchObject({ status: 400, message: 'Something went wrong.' })
  })

  it.each([502, 503, 504])('is worth another try with %i', async (status) => {
    answer({ error: { code: 'database-away', message: 'Away.' } }, status)
    await expect(ask()).rejects.toBeInstanceOf(Unreachable)
  })

  it('is worth another try where nobody answers', async () => {
    fetched.mockRejectedValueOnce(new TypeError('Failed to fetch'))
    await expect(ask()).rejects.toThrow('The server cannot be reached right now.')
  })

  it('is a refusal, not worth another try as it is, where the disk is full', async () => {
    answer({ error: { code: 'disk-full', message: 'The disk of the server is full.' } }, 507)
    await expect(ask()).rejects.toMatchObject({ status: 507, code: 'disk-full' })
  })
})

describe('a server that is busy', () => {
  const busy = () =>
    fetched.mockResolvedValueOnce(
      new Response(JSON.stringify({ error: { code: 'busy', message: 'A lot to do.' } }), {
        status: 503,
        headers: { 'retry-after': '2' },
      }),
    )

  it('is asked again after the time it says, since it has done nothing', async () => {
    vi.useFakeTimers()
    busy()
    answer({ id: 'h' })
    const made = told(
      server.works[':work']['hand-ins'].$post({ param: { work: 'w' }, json: { revision: 1 } }),
    )
    await vi.advanceTimersByTimeAsync(1900)
    expect(fetched).toHaveBeenCalledTimes(1)
    await vi.advanceTimersByTimeAsync(200)
    expect(await made).toEqual({ id: 'h' })
    vi.useRealTimers()
  })

  it('is not asked for ever', async () => {
    vi.useFakeTimers()
    for (let i = 0; i < 4; i++) busy()
    const refused = expect(ask()).rejects.toBeInstanceOf(Unreachable)
    await vi.advanceTimersByTimeAsync(30_000)
    await refused
    expect(fetched).toHaveBeenCalledTimes(4)
    vi.useRealTimers()
  })
})

describe('a session that is over', () => {
  it('is told to whoever wants to know, and nothing else is', async () => {
    const told = vi.fn()
    const end = whenSignedOut(told)
    answer({ error: { code: 'wrong-password', message: 'No.' } }, 401)
    await ask().catch(() => null)
    expect(told).not.toHaveBeenCalled()
    answer({ error: { code: 'not-signed-in', message: 'Please sign in.' } }, 401)
    await ask().catch(() => null)
    expect(told).toHaveBeenCalledOnce()
    end()
  })
})

describe('what time it is', () => {
  it('is the server’s word where this machine is years off, and its own where it is right', async () => {
    vi.useFakeTimers({ now: Date.UTC(2001, 0, 1) })
    const date = new Date(Date.UTC(2026, 10, 28, 12)).toUTCString()
    fetched.mockResolvedValueOnce(new Response('{}', { headers: { date } }))
    await ask()
    expect(now().getUTCFullYear()).toBe(2026)
    vi.setSystemTime(Date.UTC(2026, 10, 28, 12, 0, 1))
    fetched.mockResolvedValueOnce(new Response('{}', { headers: { date } }))
    await ask()
    expect(now().getTime()).toBe(Date.now())
    vi.useRealTimers()
  })
})
