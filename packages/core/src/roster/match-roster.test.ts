import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { matchRoster, readRoster, type KnownStudent, type RosterRow } from '.'

const row = (line: number, name: string, more: Partial<RosterRow> = {}): RosterRow => ({
  line,
  name,
  signIn: null,
  schoolId: null,
  ...more,
})
const known = (id: string, name: string, more: Partial<KnownStudent> = {}): KnownStudent => ({
  id,
  name,
  signIn: id,
  schoolId: null,
  here: true,
  ...more,
})
const kinds = (rows: RosterRow[], all: KnownStudent[]) => matchRoster(rows, all).rows.map((r) => r.match.kind)

describe('a list that is read a second time', () => {
  it('knows people by the id of the school, whatever they are called by now', () => {
    const all = [
      known('a', 'Anna Berg', { schoolId: '17' }),
      known('b', 'Ben Ode', { schoolId: '18', here: false }),
    ]
    const rows = [row(2, 'Anna Berg-Lund', { schoolId: '17' }), row(3, 'Ben Ode', { schoolId: '18' })]
    expect(matchRoster(rows, all)).toMatchObject({
      rows: [
        { match: { kind: 'renamed', id: 'a', before: 'Anna Berg' } },
        { match: { kind: 'elsewhere', id: 'b' } },
      ],
      gone: [],
    })
  })

  it('asks about names that are alike, and never takes one person twice', () => {
    const all = [known('a', 'José  Marín'), known('b', 'Ann Lee')]
    expect(kinds([row(1, 'jose marin'), row(2, 'Jose Marin')], all)).toEqual(['alike', 'new'])
    // the school has two of that name
    const ids = [known('a', 'Ann Lee', { schoolId: '1' })]
    expect(kinds([row(1, 'Ann Lee', { schoolId: '2' })], ids)).toEqual(['new'])
  })

  it('knows who is not in it any more, of the class alone', () => {
    const all = [known('a', 'Anna'), known('b', 'Ben'), known('c', 'Cleo', { here: false })]
    expect(matchRoster([row(1, 'Anna')], all).gone.map((g) => g.id)).toEqual(['b'])
  })

  it('a sign-in name of somebody elsewhere is nobody of another name', () => {
    const all = [known('anna', 'Anna Berg', { here: false })]
    expect(kinds([row(1, 'Another Anna', { signIn: 'anna' })], all)).toEqual(['new'])
    expect(kinds([row(1, 'Anna Berg', { signIn: 'anna' })], all)).toEqual(['elsewhere'])
  })

  it('whoever is in the class is either in the list or gone, once', () => {
    const name = fc.constantFrom('Anna', 'Ben', 'Cleo', 'Ánna')
    fc.assert(
      fc.property(fc.array(name, { maxLength: 6 }), fc.array(name, { maxLength: 6 }), (listed, there) => {
        const all = there.map((n, i) => known(`k${i}`, n))
        const { rows, gone } = matchRoster(
          listed.map((n, i) => row(i + 1, n)),
          all,
        )
        const matched = rows.flatMap((r) => ('id' in r.match ? [r.match.id] : []))
        expect(new Set(matched).size).toBe(matched.length)
        expect([...matched, ...gone.map((g) => g.id)].sort()).toEqual(all.map((k) => k.id).sort())
      }),
    )
  })
})

describe('columns of any name', () => {
  const text = 'Pupil;Class;Nr\nAnna Berg;7b;17\nBen Ode;7b;18'

  it('are matched by hand, with the ids of the school', () => {
    expect(readRoster(text)).toMatchObject({ rows: [], header: ['Pupil', 'Class', 'Nr'] })
    expect(readRoster(text, { name: 0, schoolId: 2 })).toMatchObject({
      rows: [
        { line: 2, name: 'Anna Berg', schoolId: '17' },
        { line: 3, name: 'Ben Ode', schoolId: '18' },
      ],
      problems: [],
      columns: { name: 0, schoolId: 2 },
    })
  })

  it('that are known are found by themselves', () => {
    const { columns, rows } = readRoster('Student number,First name,Surname\n9,Ann,Lee')
    expect(columns).toEqual({ first: 1, last: 2, schoolId: 0 })
    expect(rows).toEqual([{ line: 2, name: 'Ann Lee', signIn: null, schoolId: '9' }])
  })
})
