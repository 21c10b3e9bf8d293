import { describe, expect, it, vi } from 'vitest'
import { actionsOf } from './shortcuts'

describe('shortcuts', () => {
  it('are one registry: what the list says is what the keys do', () => {
    const play = vi.fn()
    const actions = actionsOf([
      { title: 'Listening', keys: [{ shown: 'Space', what: 'play', on: { ' ': play } }] },
      { title: 'Line', keys: [{ shown: 'Delete', what: 'remove the point' }] },
    ])
    expect(Object.keys(actions)).toEqual([' '])
    actions[' ']!()
    expect(play).toHaveBeenCalledOnce()
  })

  it('do not share a key', () => {
    const key = { shown: 'N', what: 'note', on: { n: () => null } }
    expect(() => actionsOf([{ title: 'One', keys: [key, { ...key, what: 'next' }] }])).toThrow(/key n/)
  })
})
