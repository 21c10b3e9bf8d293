import { describe, expect, it, vi } from 'vitest'
import { Ahead } from './ahead'

function asking() {
  let n = 0
  let now = 0
  const ask = vi.fn((id: string) => Promise.resolve(`${id} ${++n}`))
  return { ask, ahead: new Ahead(ask, () => now), later: (ms: number) => (now += ms) }
}

describe('what is asked ahead', () => {
  it('is asked once, and taken once', async () => {
    const { ask, ahead } = asking()
    ahead.begin('a')
    expect(await ahead.take('a')).toBe('a 1')
    expect(ask).toHaveBeenCalledTimes(1)
    expect(await ahead.take('a')).toBe('a 2')
    expect(await ahead.take('b')).toBe('b 3')
  })

  it('is asked again where nobody came for it in time, or somebody has left meanwhile', async () => {
    const { ahead, later } = asking()
    ahead.begin('a')
    later(5000)
    expect(await ahead.take('a')).toBe('a 2')
    ahead.begin('a')
    ahead.forget()
    expect(await ahead.take('a')).toBe('a 4')
  })

  it('tells whoever takes it what went wrong, and nobody else', async () => {
    const ahead = new Ahead(() => Promise.reject(new Error('away')))
    ahead.begin('a')
    ahead.begin('b')
    await expect(ahead.take('a')).rejects.toThrow('away')
  })
})
