import { describe, expect, it } from 'vitest'
import { term } from '../../../../test/room/term'
import { rowsOf } from './order'

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
