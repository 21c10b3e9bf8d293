import type { AssignmentCard, Standing } from '@rudlo/contract/assignments'
import { describe, expect, it } from 'vitest'
import { deskOf, inOrder, termOf } from './term'

const NOW = new Date('2026-11-29T12:00:00Z')
const card = (title: string, dueAt: string | null, more: Partial<AssignmentCard> = {}): AssignmentCard => ({
  id: title,
  title,
  purpose: '',
  tasks: [],
  song: 'The Evening Ferry',
  group: 'Thursday',
  place: '',
  dueAt,
  opensAt: null,
  draft: false,
  ...more,
})
const NEW: Standing = { begun: false, handIn: null, changedSince: false, extended: false }
const handed = (outcome: 'accepted' | 'again' | null): Standing => ({
  begun: true,
  handIn: { id: 'h', number: 1, state: outcome ? 'given back' : 'waiting', outcome },
  changedSince: false,
  extended: false,
})
const titles = (cards: readonly AssignmentCard[]) => cards.map((c) => c.title)

describe('the term of a student', () => {
  const cards = [
    card('Hardest', '2026-12-20T00:00:00Z', { mine: NEW }),
    card('Second', '2026-12-05T00:00:00Z', { mine: NEW }),
    card('First balance', '2026-11-01T00:00:00Z', { mine: handed('accepted') }),
    card('Came back', '2026-11-20T00:00:00Z', { mine: handed('again') }),
    card('Any time', null, { mine: NEW }),
  ]

  it('goes by date, and begins with what is due first', () => {
    const term = termOf(cards, NOW)
    expect(titles(term.all)).toEqual(['First balance', 'Came back', 'Second', 'Hardest', 'Any time'])
    expect(term.next?.title).toBe('Second')
    expect(titles(term.back)).toEqual(['Came back'])
  })

  it('does not ask for what is not open, handed in or done', () => {
    const later = card('Later', '2026-12-01T00:00:00Z', { mine: NEW, opensAt: '2026-11-30T00:00:00Z' })
    expect(termOf([later], NOW).next).toBeNull()
    expect(termOf([card('Waiting', null, { mine: handed(null) })], NOW).next).toBeNull()
    expect(termOf([], NOW)).toEqual({ next: null, back: [], all: [] })
  })
})

describe('the assignments of a teacher', () => {
  const counts = (waiting: number) => ({ students: 9, waiting, held: 0, givenBack: 0 })
  const cards = [
    card('Quiet', '2026-11-01T00:00:00Z', { counts: counts(0) }),
    card('Busy', '2026-12-01T00:00:00Z', { counts: counts(3) }),
    card('Sketch', null, { draft: true, counts: counts(0), group: 'Monday' }),
  ]

  it('have those first in which somebody waits, and drafts apart', () => {
    const desk = deskOf(cards, '', '')
    expect([titles(desk.given), titles(desk.drafts)]).toEqual([['Busy', 'Quiet'], ['Sketch']])
  })

  it('are found by words and by class', () => {
    expect(titles(deskOf(cards, 'FERRY bus', '').given)).toEqual([])
    expect(titles(deskOf(cards, 'busy', '').given)).toEqual(['Busy'])
    expect(titles(deskOf(cards, '', 'Monday').drafts)).toEqual(['Sketch'])
    expect(titles(inOrder(cards))).toEqual(['Quiet', 'Busy', 'Sketch'])
  })
})
