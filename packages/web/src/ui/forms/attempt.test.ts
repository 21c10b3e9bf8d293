import { describe, expect, it, vi } from 'vitest'
import { attempt, useSending } from './attempt'

const refused = () => Promise.reject(new Error('Not today.'))

describe('what may fail', () => {
  it('is done, or told why not', async () => {
    const tell = vi.fn()
    expect(await attempt(() => Promise.resolve(1), tell)).toBe(true)
    expect(tell).not.toHaveBeenCalled()
    expect(await attempt(refused, tell)).toBe(false)
    expect(tell).toHaveBeenCalledWith('Not today.')
  })

  it('is on its way until it arrives or is refused, and forgets an earlier refusal', async () => {
    const { busy, problem, send } = useSending()
    const first = send(refused)
    expect(busy.value).toBe(true)
    expect(await first).toBe(false)
    expect([busy.value, problem.value]).toEqual([false, 'Not today.'])
    const second = send(() => Promise.resolve())
    expect(problem.value).toBe('')
    expect(await second).toBe(true)
    expect(busy.value).toBe(false)
  })
})
