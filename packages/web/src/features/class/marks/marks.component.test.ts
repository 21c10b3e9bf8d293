import type { GradeCell, GradesView, OverallView } from '@rudlo/contract/grades'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { page } from 'vitest/browser'
import { serveWith } from '../../../../test/fake-server'
import { atRoom } from '../../../../test/room/room'
import MarksPart from './MarksPart.vue'

const cell = (student: string, assignment: string, made: Partial<GradeCell> = {}): GradeCell => ({
  student,
  assignment,
  handIn: null,
  marks: {},
  share: null,
  missing: false,
  late: 0,
  excused: null,
  changes: [],
  ...made,
})
const overall = (student: string, name: string, made: Partial<OverallView> = {}): OverallView => ({
  student,
  name,
  rule: null,
  dropped: [],
  byHand: [],
  ...made,
})
const assignment = (id: string, title: string) => ({
  id,
  title,
  dueAt: null,
  criteria: [{ id: 'shape', name: 'Shape of the line' }],
  levels: ['Not yet', 'Nearly', 'Done', 'Very well'],
})
const grades: GradesView = {
  scheme: { scale: { kind: 'points', most: 20 }, weights: { two: 2 }, drop: 1, missing: 'nothing' },
  revision: 3,
  assignments: [assignment('one', 'Fade in'), assignment('two', 'Make room')],
  students: [
    overall('a', 'Anna', { rule: 0.75, dropped: ['one'] }),
    overall('b', 'Ben', {
      rule: 0.2,
      byHand: [{ share: 0.5, reason: 'Was ill', by: 'Ms Rook', at: '2026-03-01T10:00:00.000Z' }],
    }),
  ],
  cells: [
    cell('a', 'one', {
      handIn: 'h1',
      marks: { shape: 1 },
      share: 0.5,
      changes: [
        {
          criterion: 'shape',
          was: 'Not yet',
          became: 'Nearly',
          by: 'Ms Rook',
          at: '2026-03-01T10:00:00.000Z',
        },
      ],
    }),
    cell('a', 'two', { handIn: 'h2', marks: { shape: 3 }, share: 1 }),
    cell('b', 'one', { missing: true }),
    cell('b', 'two', { handIn: 'h3' }),
  ],
}

const sent = vi.fn()
let refusal = ''
beforeEach(() => {
  sent.mockReset()
  refusal = ''
  serveWith({
    get: () => grades,
    put: (path, body) => {
      if (refusal) throw new Error(refusal)
      sent(path, body)
    },
  })
})
const marks = () => page.getByTestId('mark')
const overalls = () => page.getByTestId('overall')

describe('the marks of a class', () => {
  it('say of everything what it is worth in the school’s scale, or why there is nothing', async () => {
    await atRoom(MarksPart, { group: 'g' })
    await expect.poll(() => marks().all().length).toBe(4)
    const texts = marks()
      .all()
      .map((m) => m.element().textContent?.trim())
    expect(texts).toEqual(['10changed', '20', 'missing', 'to be marked'])
    expect(overalls().all()[0]!.element().textContent).toContain('15')
    expect(overalls().all()[1]!.element().textContent).toContain('10')
    expect(overalls().all()[1]!.element().textContent).toContain('by hand')
    await expect.element(page.getByText('× 2')).toBeVisible()
  })

  it('of one mark say what it is made of and what it was, and excuse the work with a reason', async () => {
    await atRoom(MarksPart, { group: 'g' })
    await marks().nth(0).click()
    await expect.element(page.getByText('10 (50 %)')).toBeVisible()
    await expect.element(page.getByText(/Not yet became Nearly \(Ms Rook/)).toBeVisible()
    await page.getByLabelText('Reason, if you excuse the student').fill('At a competition ')
    await page.getByTestId('excuse').click()
    await expect
      .poll(() => sent.mock.lastCall)
      .toEqual(['/api/assignments/one/excused/a', { excused: true, reason: 'At a competition' }])
    await expect.poll(() => page.getByTestId('excuse').query()).toBeNull()
  })

  it('are decided by hand, and a refusal loses nothing that was typed', async () => {
    await atRoom(MarksPart, { group: 'g' })
    await overalls().nth(0).click()
    await expect.element(page.getByText('By the rule: 15 (75 %).')).toBeVisible()
    await page.getByLabelText('Overall, of everything that can be reached').fill('90')
    await page.getByLabelText('Why you decide otherwise').fill('Helped the others')
    refusal = 'Say why'
    await page.getByTestId('by-hand').click()
    await expect.element(page.getByText('Say why')).toBeVisible()
    await expect.element(page.getByLabelText('Why you decide otherwise')).toHaveValue('Helped the others')
    refusal = ''
    await page.getByTestId('by-hand').click()
    await expect
      .poll(() => sent.mock.lastCall)
      .toEqual(['/api/groups/g/grades/a', { share: 0.9, reason: 'Helped the others' }])
  })

  it('go by the rule again where they were decided by hand', async () => {
    await atRoom(MarksPart, { group: 'g' })
    await overalls().nth(1).click()
    await expect.element(page.getByText(/10: Was ill \(Ms Rook/)).toBeVisible()
    await page.getByTestId('by-rule').click()
    await expect.poll(() => sent.mock.lastCall?.[1]).toEqual({ share: null, reason: '' })
  })

  it('follow a rule that is set: what counts more, what is dropped, what is missing', async () => {
    await atRoom(MarksPart, { group: 'g' })
    await page.getByTestId('scheme').click()
    await page.getByLabelText('Highest number of points').fill('10')
    await page.getByRole('dialog').getByLabelText('Fade in').fill('3')
    await page.getByTestId('save-scheme').click()
    await expect
      .poll(() => sent.mock.lastCall)
      .toEqual([
        '/api/groups/g/grades',
        {
          revision: 3,
          scheme: {
            scale: { kind: 'points', most: 10 },
            weights: { one: 3, two: 2 },
            drop: 1,
            missing: 'nothing',
          },
        },
      ])
  })
})
