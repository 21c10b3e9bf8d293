import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { ApiError, fetchBytes, get, patch, post, postBytes, postFile, put, remove, Unreachable } from './api'

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

describe('asking the server', () => {
  it('gives what it answers, and nothing where it has nothing to say', async () => {
    answer({ a: 1 })
    expect(await get('/api/x')).toEqual({ a: 1 })
    expect(sent()).toMatchObject({ path: '/api/x', method: 'GET' })
    expect(sent().body).toBeUndefined()
    answer(null, 204)
    expect(await remove('/api/x')).toBeNull()
    expect(sent().method).toBe('DELETE')
  })

  it.each([
    ['POST', post],
    ['PUT', put],
    ['PATCH', patch],
  ] as const)('sends a body as JSON with %s', async (method, send) => {
    answer({})
    await send('/api/x', { text: 'Grün' })
    expect(sent()).toMatchObject({ method, headers: { 'content-type': 'application/json' } })
    expect(JSON.parse(sent().body as string)).toEqual({ text: 'Grün' })
  })

  it('sends an empty body where there is nothing to say', async () => {
    answer({})
    await post('/api/x')
    expect(sent().body).toBe('{}')
  })

  it('sends bytes as they are, and reads bytes', async () => {
    fetched.mockResolvedValueOnce(new Response(Uint8Array.of(1, 2, 3)))
    expect([...(await fetchBytes('/api/assets/a'))]).toEqual([1, 2, 3])
    answer({ id: 'u' })
    expect(await postFile('/api/notes', new Blob(['MThd']))).toEqual({ id: 'u' })
    answer(null, 204)
    expect((await postBytes('/api/uploads/u/chunks/0', new ArrayBuffer(4))).status).toBe(204)
  })
})

describe('what goes wrong', () => {
  it('is told in the server’s own sentence, with what belongs to it', async () => {
    answer({ error: { code: 'not-now', message: 'Somebody else was faster.', newest: { revision: 3 } } }, 409)
    const error = await get('/api/x').catch((e: unknown) => e as ApiError)
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
    await expect(get('/api/x')).rejects.toMatchObject({ code: 'fault', message: 'Something went wrong.' })
    answer({ something: 'else' }, 400)
    await expect(get('/api/x')).rejects.toMatchObject({ status: 400, message: 'Something went wrong.' })
  })

  it.each([502, 503, 504])('is worth another try with %i', async (status) => {
    answer({ error: { code: 'database-away', message: 'Away.' } }, status)
    await expect(get('/api/x')).rejects.toBeInstanceOf(Unreachable)
  })

  it('is worth another try where nobody answers', async () => {
    fetched.mockRejectedValueOnce(new TypeError('Failed to fetch'))
    await expect(post('/api/x')).rejects.toThrow('The server cannot be reached just now.')
  })

  it('is a refusal, not worth another try as it is, where the disk is full', async () => {
    answer({ error: { code: 'disk-full', message: 'The disk of the server is full.' } }, 507)
    await expect(put('/api/x', {})).rejects.toMatchObject({ status: 507, code: 'disk-full' })
  })
})
