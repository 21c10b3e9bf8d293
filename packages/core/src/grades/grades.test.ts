import * as fc from 'fast-check'
import Papa from 'papaparse'
import { describe, expect, it } from 'vitest'
import {
  gradeNumber,
  gradeText,
  oneRosterResults,
  overallOf,
  readScheme,
  shareOfMarks,
  USUAL_LETTERS,
  usualScheme,
  type Graded,
  type GradeRule,
} from '.'

const rubric = {
  levels: ['not yet', 'nearly', 'there', 'beyond'],
  criteria: ['moves', 'balance'].map((id) => ({ id, name: id, about: '' })),
}

describe('a mark', () => {
  it('is the mean of its criteria, each from the lowest level to the highest', () => {
    expect(shareOfMarks(rubric, { moves: 3, balance: 0 })).toBe(0.5)
    expect(shareOfMarks(rubric, { moves: 3 })).toBe(1)
    expect(shareOfMarks(rubric, { moves: 3, balance: 0 }, 'balance')).toBe(0)
    expect(shareOfMarks(rubric, {})).toBeNull()
    expect(shareOfMarks(rubric, { gone: 2 })).toBeNull()
  })

  it('is written as the school writes it', () => {
    expect(gradeText({ kind: 'levels', levels: rubric.levels }, 0.7)).toBe('there')
    expect(gradeText({ kind: 'points', most: 15 }, 0.5)).toBe('7.5')
    expect(gradeText({ kind: 'percent' }, 0.667)).toBe('67 %')
    const letters = { kind: 'letters', letters: USUAL_LETTERS } as const
    expect([1, 0.85, 0.849, 0.4, 0].map((s) => gradeText(letters, s))).toEqual(['A', 'A', 'B', 'D', 'E'])
    expect(gradeNumber({ kind: 'points', most: 15 }, 2)).toBe(15)
    expect(gradeNumber(letters, 0.4567)).toBe(45.7)
  })
})

const rule: GradeRule = { weights: {}, drop: 0, missing: 'ignored' }
const graded = (assignment: string, share: number | null, more: Partial<Graded> = {}): Graded => ({
  assignment,
  share,
  excused: false,
  missing: false,
  ...more,
})

describe('an overall mark', () => {
  it('weighs, drops the lowest, leaves out what is excused, and counts what is missing as it is told', () => {
    const all = [graded('a', 1), graded('b', 0.5), graded('c', 0)]
    expect(overallOf(all, rule).share).toBe(0.5)
    expect(overallOf(all, { ...rule, weights: { a: 3, c: 0 } }).share).toBe(0.875)
    expect(overallOf(all, { ...rule, drop: 1 })).toEqual({ share: 0.75, counted: ['a', 'b'], dropped: ['c'] })
    expect(overallOf([graded('a', 0.2, { excused: true })], rule).share).toBeNull()
    const missing = [graded('a', 1), graded('b', null, { missing: true })]
    expect(overallOf(missing, rule).share).toBe(1)
    expect(overallOf(missing, { ...rule, missing: 'nothing' }).share).toBe(0.5)
  })

  it('lies between the lowest and the highest, at least one is kept, and dropping never makes it worse', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 1, maxLength: 12 }),
        fc.nat(15),
        (shares, drop) => {
          const all = shares.map((s, i) => graded(String(i), s))
          const before = overallOf(all, rule)
          const after = overallOf(all, { ...rule, drop })
          expect(after.counted.length).toBeGreaterThan(0)
          expect(after.share!).toBeGreaterThanOrEqual(before.share! - 1e-9)
          expect(after.share!).toBeGreaterThanOrEqual(Math.min(...shares) - 1e-9)
          expect(after.share!).toBeLessThanOrEqual(Math.max(...shares) + 1e-9)
          expect(after.counted.length + after.dropped.length).toBe(shares.length)
        },
      ),
    )
  })
})

describe('how a class is marked', () => {
  it('is read as it was sent', () => {
    const scheme = usualScheme(rubric.levels)
    expect(readScheme(JSON.parse(JSON.stringify(scheme)))).toEqual(scheme)
    expect(readScheme({ scale: { kind: 'letters' } }).scale).toMatchObject({ letters: USUAL_LETTERS })
  })

  it.each<[string, unknown]>([
    ['nothing', null],
    ['no scale', {}],
    ['another scale', { scale: { kind: 'stars' } }],
    ['no points', { scale: { kind: 'points', most: 0 } }],
    ['one level', { scale: { kind: 'levels', levels: ['there'] } }],
    [
      'letters out of order',
      {
        scale: {
          kind: 'letters',
          letters: [
            { letter: 'A', from: 10 },
            { letter: 'B', from: 20 },
          ],
        },
      },
    ],
    [
      'a nameless letter',
      {
        scale: {
          kind: 'letters',
          letters: [
            { letter: '', from: 10 },
            { letter: 'B', from: 0 },
          ],
        },
      },
    ],
    ['a weight below nothing', { scale: { kind: 'percent' }, weights: { a: -1 } }],
    ['half a mark dropped', { scale: { kind: 'percent' }, drop: 0.5 }],
    ['another rule', { scale: { kind: 'percent' }, missing: 'doubled' }],
  ])('%s is told in a sentence', (_, document) => {
    expect(() => readScheme(document)).toThrow(RangeError)
  })
})

describe('results for a school’s system', () => {
  const at = new Date('2026-03-02T10:00:00Z')
  const files = oneRosterResults(
    { classId: 'g', title: 'Monday, "beginners"', from: at, to: at, madeAt: at },
    [{ id: 'a', title: 'Fade', description: '', assignedAt: at, dueAt: null, changedAt: at, most: 100 }],
    [
      { id: 'r1', lineItem: 'a', student: 's1', state: 'fully graded', score: 67, at, comment: '' },
      { id: 'r2', lineItem: 'a', student: 's2', state: 'exempt', score: null, at, comment: 'ill' },
    ],
  )
  const read = (name: string) =>
    Papa.parse<Record<string, string>>(files[name]!, { header: true, skipEmptyLines: true }).data

  it('name every file that is there, and refer to nothing that is not', () => {
    const bulk = read('manifest.csv')
      .filter((r) => r['value'] === 'bulk')
      .map((r) => `${r['propertyName']!.slice(5)}.csv`)
    expect([...bulk, 'manifest.csv'].sort()).toEqual(Object.keys(files).sort())
    const items = read('lineItems.csv')
    expect(items[0]).toMatchObject({
      sourcedId: 'a',
      resultValueMin: '0',
      resultValueMax: '100',
      assignDate: '2026-03-02',
    })
    expect(read('categories.csv').map((c) => c['sourcedId'])).toContain(items[0]!['categorySourcedId'])
    expect(read('academicSessions.csv').map((c) => c['sourcedId'])).toContain(
      items[0]!['gradingPeriodSourcedId'],
    )
    for (const r of read('results.csv'))
      expect(items.map((i) => i['sourcedId'])).toContain(r['lineItemSourcedId'])
  })

  it('keep scores as numbers and titles as they are written', () => {
    expect(read('results.csv').map((r) => [r['studentSourcedId'], r['scoreStatus'], r['score']])).toEqual([
      ['s1', 'fully graded', '67'],
      ['s2', 'exempt', ''],
    ])
    expect(read('categories.csv')[0]!['title']).toBe('Monday, "beginners"')
  })
})
