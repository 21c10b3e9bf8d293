import { describe, expect, it } from 'vitest'
import type { AssignmentCard } from '@rudlo/contract/assignments'
import type { HandInState, Outcome } from '@rudlo/contract/handins'
import { whenText } from '../../words/dates'
import { standingOf } from './standing'

const card = (more: Partial<AssignmentCard>) => more as AssignmentCard
const mine = (
  state: HandInState | null,
  outcome: Outcome | null = null,
  changedSince = false,
  begun = true,
) =>
  standingOf(
    card({
      mine: { begun, changedSince, extended: false, handIn: state && { id: 'x', number: 2, state, outcome } },
    }),
  )

describe('standingOf', () => {
  it('tells a student what to do next', () => {
    expect(mine(null, null, false, false)).toMatchObject({ button: 'Start', sign: 'new' })
    expect(mine(null)).toMatchObject({ button: 'Continue', sign: 'going' })
    expect(mine('measuring')).toMatchObject({ text: 'Version 2 is with your teacher', sign: 'waiting' })
    expect(mine('given back', 'accepted')).toMatchObject({ text: 'Version 2 was accepted', sign: 'done' })
    expect(mine('given back', 'again')).toMatchObject({ button: 'See what came back', sign: 'back' })
    expect(mine('given back', 'again', true)).toMatchObject({
      text: 'Working on version 3',
      button: 'Continue',
    })
  })

  it('tells a teacher how far the group is', () => {
    const of = (waiting: number, givenBack: number, held = 0) =>
      standingOf(card({ counts: { students: 10, waiting, held, givenBack } })).text
    expect(of(5, 3)).toBe('8 of 10 handed in, 5 waiting for you')
    expect(of(0, 3)).toBe('3 of 10 handed in, none waiting')
    // what is held is decided, and nobody has it yet
    expect(of(1, 3, 2)).toBe('6 of 10 handed in, 1 waiting for you, 2 ready to give back')
  })
})

describe('whenText', () => {
  const now = new Date(2026, 10, 25, 12)
  const at = (day: number) => whenText(new Date(2026, 10, day, 9, 5).toISOString(), now)
  it('says today, yesterday, tomorrow or the day', () => {
    expect([at(25), at(24), at(26), at(20)]).toEqual([
      'today, 9:05',
      'yesterday, 9:05',
      'tomorrow, 9:05',
      'Friday 20 November, 9:05',
    ])
  })
})
