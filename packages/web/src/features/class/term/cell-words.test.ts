import { describe, expect, it } from 'vitest'
import { cell } from '../../../../test/room/term'
import { cellText, signOf } from './cell-words'

const text = (made: Parameters<typeof cell>[2]) => cellText(cell('a', 'one', made))

describe('a cell of the term', () => {
  it('has another form for each way it can stand: never by colour alone', () => {
    const states = ['not begun', 'begun', 'waiting', 'held', 'again', 'accepted', 'excused'] as const
    const signs = states.map((state) => signOf({ state, missing: false }))
    expect(new Set([...signs, signOf({ state: 'begun', missing: true })]).size).toBe(states.length + 1)
  })

  it('says everything that stands in it, in words', () => {
    expect(text({ state: 'begun', stopped: true })).toBe('started, stopped working on it')
    expect(text({ state: 'again', number: 3, tasks: ['met', 'close', null], late: 50 })).toBe(
      'came back to be improved, version 3, 1 of 3 tasks met, 2 days late',
    )
    expect(text({ state: 'accepted', number: 1, tasks: ['met'] })).toBe('accepted, 1 of 1 tasks met')
  })

  it('of what is missing does not say as well that it stopped', () => {
    expect(text({ state: 'begun', missing: true, stopped: true })).not.toContain('stopped')
    expect(text({ state: 'not begun', missing: true, extended: true })).toMatch(/^missing, .*time/)
  })
})
