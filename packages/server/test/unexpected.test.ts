import { afterAll, beforeAll, expect, it, vi } from 'vitest'
import { PoolBusy } from '../src/database/guarded-source'
import { logFile } from '../src/http/log'
import { unexpected } from '../src/http/unexpected'
import type { Refused } from './client'
import { makeWorld, type World } from './world'

let world: World
beforeAll(async () => void (world = await makeWorld()))
afterAll(() => world.close())

const failed = (code: string) => Object.assign(new Error('inside'), { code })

it.each([
  ['ENOSPC', 507, 'disk-full'],
  ['ECONNREFUSED', 503, 'database-away'],
  ['PROTOCOL_CONNECTION_LOST', 503, 'database-away'],
  ['ER_LOCK_WAIT_TIMEOUT', 503, 'busy'],
  ['ER_LOCK_DEADLOCK', 503, 'busy'],
  ['ER_DATA_TOO_LONG', 400, 'bad-input'],
  ['ER_DUP_ENTRY', 409, 'not-now'],
  ['ER_NO_REFERENCED_ROW_2', 409, 'not-now'],
  ['ER_PARSE_ERROR', 500, 'fault'],
])('%s is told as %i, and nothing of what happened inside', (code, status, said) => {
  const log = logFile(undefined)
  const problem = unexpected(failed(code), log)
  expect([problem.status, problem.code]).toEqual([status, said])
  expect(JSON.stringify(problem.body)).not.toContain('inside')
})

it('whoever waits too long for a connection is told when to ask again', async () => {
  const anna = await world.as('anna')
  const spy = vi.spyOn(world.services.sessions, 'person').mockRejectedValueOnce(new PoolBusy())
  const answer = await anna.get<Refused>('/api/assignments')
  expect([answer.status, answer.headers.get('retry-after'), answer.body.error.code]).toEqual([
    503,
    '2',
    'busy',
  ])
  spy.mockRestore()
  expect((await anna.get('/api/assignments')).status).toBe(200)
})
