import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { freshSignInName, readOneRoster, readRoster, SIGN_IN_NAME } from '.'

const rows = (text: string) => readRoster(text).rows.map((r) => [r.line, r.name, r.signIn])
const problems = (text: string) => readRoster(text).problems.map((p) => `${p.line}: ${p.sentence}`)

describe('readRoster', () => {
  it('takes a pasted list, one name a line', () => {
    expect(rows('Ines Varga\n\n  Tobin  Achterberg \r\n')).toEqual([
      [1, 'Ines Varga', null],
      [3, 'Tobin Achterberg', null],
    ])
    expect(rows('Varga, Ines\nFeld, Jonas')).toEqual([
      [1, 'Ines Varga', null],
      [2, 'Jonas Feld', null],
    ])
  })

  it('takes tables with any usual separator, a mark at the start, and quoted cells', () => {
    const table = [
      [2, 'Ines Varga', 'ines'],
      [3, 'Feld, Jonas', null],
    ]
    expect(rows('\ufeffName,Sign-in\r\nInes Varga,INES\r\n"Feld, Jonas",\r\n')).toEqual(table)
    expect(rows('First name;Last name;Username\nInes;Varga;ines')).toEqual([table[0]])
    expect(rows('family name\tgiven name\nVarga\tInes')).toEqual([[2, 'Ines Varga', null]])
  })

  it('tells everything that is wrong with its line, and takes nothing for granted', () => {
    expect(problems('Name,Sign-in\nInes Varga,ines\n=HYPERLINK(1),x1\n,bo\nInes Varga,ines\nUlf,Ü!')).toEqual(
      [
        '3: “=HYPERLINK(1)” looks like a formula, not like a name.',
        '4: The name is missing.',
        '5: This name is also on line 2. If these are two people, give each a sign-in name.',
        '6: “ü!” cannot be a sign-in name: small letters, digits, dots and dashes can.',
      ],
    )
    expect(problems('')).toEqual(['0: There is nobody in this list.'])
    expect(problems('a,b,c\nd,e,f')[0]).toMatch(/must name the columns/)
    expect(problems('Name\n"Ines')[0]).toMatch(/never closed/)
    expect(problems('In\ufffds Varga')[0]).toMatch(/UTF-8/)
    expect(problems(`x${'\nx'.repeat(300)}`)).toContain('0: At most 200 students can be taken in at once.')
  })

  it('comes to an end with whatever it is fed', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 400, unit: 'binary' }), (text) => {
        const { rows, problems } = readRoster(text)
        expect(rows.length > 0 || problems.length > 0).toBe(true)
      }),
    )
  })
})

describe('readOneRoster', () => {
  const USERS = `sourcedId,status,dateLastModified,enabledUser,orgSourcedIds,role,username,userIds,givenName,familyName
u1,active,,true,o,student,Ines.V,,Ines,Varga
u2,,,true,o,student,jonas,,Jonas,Feld
u3,tobedeleted,,true,o,student,gone,,Gone,Away
t1,active,,true,o,teacher,holt,,Maren,Holt`
  const LISTS = `sourcedId,status,dateLastModified,classSourcedId,schoolSourcedId,userSourcedId,role,primary,beginDate,endDate
e1,active,,c1,o,u1,student,,,
e2,active,,c1,o,t1,teacher,,,
e3,active,,c2,o,u2,student,,,
e4,tobedeleted,,c1,o,u2,student,,,
e5,active,,c2,o,u9,student,,,`

  it('gives every class its students', () => {
    const classes = readOneRoster(USERS, LISTS)
    expect(classes.map((c) => [c.id, c.roster.rows.map((r) => [r.name, r.signIn])])).toEqual([
      ['c1', [['Ines Varga', 'ines.v']]],
      ['c2', [['Jonas Feld', 'jonas']]],
    ])
    expect(classes[1]!.roster.problems).toEqual([{ line: 0, sentence: '1 of them are not in users.csv.' }])
  })

  it('says which file or column is missing', () => {
    expect(() => readOneRoster(LISTS, USERS)).toThrow(/users.csv has no column “username”/)
    expect(() => readOneRoster(USERS, 'x')).toThrow(/enrollments.csv has no column/)
    expect(() => readOneRoster(USERS, LISTS.split('\n')[0]!)).toThrow(/Nobody is enrolled/)
  })
})

describe('freshSignInName', () => {
  it('is plain, and nobody else’s', () => {
    const taken = new Set(['ines.varga'])
    expect(freshSignInName('Ines Varga', taken)).toBe('ines.varga2')
    expect(freshSignInName('Inès  Vargå', taken)).toBe('ines.varga3')
    expect(freshSignInName('Łukasz Groß-Øre', taken)).toBe('lukasz.gross.ore')
    expect([freshSignInName('李', taken), freshSignInName('王', taken)]).toEqual(['student', 'student2'])
  })

  it('can always be signed in with', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme' }), (name) => {
        expect(freshSignInName(name, new Set())).toMatch(SIGN_IN_NAME)
      }),
    )
  })
})
