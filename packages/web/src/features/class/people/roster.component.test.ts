import type { RosterAnswer } from '@rudlo/contract/people'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { page } from 'vitest/browser'
import { nextTick, reactive } from 'vue'
import { serveWith } from '../../../../test/fake-server'
import { atRoom } from '../../../../test/room/room'
import AddStudents from './AddStudents.vue'
import { useClass } from './class-store'

const row = (line: number, name: string, match: RosterAnswer['rows'][number]['match']) =>
  ({ line, name, signIn: '', schoolId: '', match }) as unknown as RosterAnswer['rows'][number]
const answer: RosterAnswer = {
  cards: [],
  renamed: [],
  rows: [
    row(1, 'Cleo Brandt', { kind: 'new' }),
    row(2, 'Anna Feld', { kind: 'here', id: 'a' }),
    row(3, 'Ben Wolf-Rohde', { kind: 'renamed', id: 'b', before: 'Ben Wolf' }),
    row(4, 'Dora Lenz', { kind: 'alike', id: 'd', here: false, signIn: 'dora' }),
  ],
  gone: [{ id: 'e', name: 'Emil Kraus', signIn: 'emil' }],
  header: ['Who', 'Number'],
  columns: {},
  problems: [],
  classes: [],
} as unknown as RosterAnswer

const asked = vi.fn()
const LIST = 'Who;Number\nCleo Brandt;7'

beforeEach(() => {
  asked.mockReset()
  localStorage.clear()
  serveWith({
    get: (path) => (path.endsWith('/groups/g') ? { id: 'g', name: 'Monday', students: [] } : []),
    post: (path, body) => {
      asked(path, body)
      return answer
    },
  })
})

async function openDialog() {
  const given = reactive({ modelValue: false })
  await atRoom(AddStudents, given)
  await useClass().open('g')
  given.modelValue = true
  return given
}

async function look(): Promise<void> {
  await page.getByRole('textbox').fill(LIST)
  await page.getByTestId('look-at-list').click()
  await expect.element(page.getByTestId('roster-preview')).toBeVisible()
}

describe('a list that is read a second time', () => {
  it('says who is new, who is here, who is called otherwise, and who is gone, before anything happens', async () => {
    await openDialog()
    await look()
    await expect.element(page.getByTestId('match-new')).toHaveTextContent('1 new student: Cleo Brandt')
    await expect.element(page.getByTestId('match-here')).toHaveTextContent('1 already here')
    await expect
      .element(page.getByTestId('match-renamed'))
      .toHaveTextContent('Ben Wolf becomes Ben Wolf-Rohde')
    await expect.element(page.getByTestId('match-gone')).toHaveTextContent('Emil Kraus (emil)')
    expect(asked.mock.calls.map(([, body]) => body)).toEqual([{ text: LIST, preview: true }])
  })

  it('asks about names that are alike, and takes out only whom the teacher says', async () => {
    await openDialog()
    await look()
    // who has the same name is most often the same
    await expect.element(page.getByLabelText('Dora Lenz is the one who signs in as dora')).toBeChecked()
    await page.getByLabelText('Dora Lenz is the one who signs in as dora').click()
    await page.getByLabelText('Emil Kraus (emil)').click()
    await page.getByTestId('add-them').click()
    await expect.poll(() => asked.mock.lastCall?.[1]).toMatchObject({ text: LIST, same: [], takeOut: ['e'] })
  })

  it('has its columns matched by hand, and remembers them for the next list of that kind', async () => {
    const given = await openDialog()
    await look()
    await page.getByTestId('column-name').click()
    await page.getByRole('option', { name: 'Who' }).click()
    await expect.poll(() => asked.mock.lastCall?.[1]).toMatchObject({ columns: { name: 0 } })
    asked.mockReset()
    given.modelValue = false
    await nextTick()
    given.modelValue = true
    await look()
    await expect.poll(() => asked.mock.lastCall?.[1]).toMatchObject({ columns: { name: 0 } })
  })
})
