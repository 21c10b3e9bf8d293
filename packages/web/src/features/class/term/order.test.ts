import type { TermCell, TermView } from '@rudlo/contract/term'
import { describe, expect, it } from 'vitest'
import { rowsOf } from './order'

const cell = (student: string, assignment: string, made: Partial<TermCell> = {}): TermCell => ({
  student,
  assignment,
  state: 'not begun',
  late: 0,
  missing: false,
  stopped: false,
  handIn: null,
  number: 0,
  handedInAt: null,
  editedAt: null,
  dueAt: null,
  extended: false,
  tasks: [],
  hints: 0,
  ...made,
})
const waiting = (at: string) => ({ state: 'waiting', handIn: 'h', handedInAt: at }) as const
const term: TermView = {
  group: { id: 'g', name: 'G', place: '' },
  now: '2026-03-02T10:00:00.000Z',
  assignments: ['one', 'two'].map((id) => ({
    id,
    title: id,
    song: '',
    dueAt: null,
    opensAt: null,
    tasks: [],
    mistakes: [],
  })),
  students: [
    { id: 'c', name: 'Cleo', lastAt: null, help: 3 },
    { id: 'a', name: 'Anna', lastAt: null, help: 0 },
    { id: 'b', name: 'Ben', lastAt: null, help: 3 },
  ],
  cells: [
    cell('a', 'two', waiting('2026-03-01T10:00:00.000Z')),
    cell('c', 'two', waiting('2026-02-01T10:00:00.000Z')),
    cell('a', 'one'),
    cell('b', 'one'),
    cell('b', 'two'),
    cell('c', 'one'),
  ],
  mistakes: [],
  next: [],
}
const names = (order: Parameters<typeof rowsOf>[1]) => rowsOf(term, order).map((r) => r.student.name)

describe('the rows of a term', () => {
  it('are sorted by name, by who needs help most, and by what has waited longest; equal ones by name', () => {
    expect(names('name')).toEqual(['Anna', 'Ben', 'Cleo'])
    expect(names('help')).toEqual(['Ben', 'Cleo', 'Anna'])
    expect(names('waiting')).toEqual(['Cleo', 'Anna', 'Ben'])
  })

  it('have their cells in the order of the assignments, however they come', () => {
    for (const row of rowsOf(term, 'name')) expect(row.cells.map((c) => c.assignment)).toEqual(['one', 'two'])
  })
})
