import { expect, it, vi } from 'vitest'
import { page } from 'vitest/browser'
import { reactive } from 'vue'
import { serveWith } from '../../../test/fake-server'
import { atRoom } from '../../../test/room/room'
import ClassPage from './ClassPage.vue'

const group = {
  id: 'g',
  name: 'Thursday beginners',
  place: '',
  joinOpen: false,
  joinCode: 'FERRY4',
  keepUntil: null,
  endedAt: null,
  students: [],
  teachers: [],
  requests: [],
  former: [],
}

it('a class that was just made is asked who comes into it once it is there, and not before', async () => {
  const made = vi.fn()
  const asked = vi.fn()
  let answer: (found: unknown) => void = () => undefined
  const later = new Promise((resolve) => (answer = resolve))
  serveWith({
    get: (path) => {
      if (path.endsWith('/groups/g')) return later
      if (path.endsWith('/groups')) return made.mock.calls.length ? [{ id: 'g', name: group.name }] : []
      return []
    },
    post: (path, sent) => {
      if (!path.endsWith('/roster')) {
        made(sent)
        return { id: 'g' }
      }
      asked(path)
      return {
        rows: [],
        gone: [],
        header: [],
        columns: {},
        problems: [],
        classes: [],
        cards: [],
        renamed: [],
      }
    },
  })
  const given = reactive<{ group?: string; part?: string }>({})
  await atRoom(ClassPage, given)
  await page.getByTestId('first-group').click()
  await page.getByLabelText('Class name').fill(group.name)
  await page.getByTestId('make-group').click()
  await expect.poll(() => made.mock.calls).toEqual([[{ name: group.name, place: '' }]])
  // where the way leads
  Object.assign(given, { group: 'g', part: 'people' })
  await expect.element(page.getByRole('dialog')).not.toBeInTheDocument()
  answer(group)
  await page.getByRole('textbox').fill('Lena Ortiz')
  await page.getByTestId('look-at-list').click()
  await expect.poll(() => asked.mock.calls).toEqual([['/api/groups/g/roster']])
})
