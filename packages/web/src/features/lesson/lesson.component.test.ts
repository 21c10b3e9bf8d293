import { beforeEach, describe, expect, it } from 'vitest'
import { page } from 'vitest/browser'
import { ApiError } from '../../api/errors'
import { serveWith } from '../../../test/fake-server'
import { assignment } from '../../../test/room/hand-ins'
import { atRoom } from '../../../test/room/room'
import LessonPage from './LessonPage.vue'

const now = '2026-03-02T10:00:00Z'
const lena = {
  id: 'lena',
  name: 'Lena',
  assignment: assignment.id,
  task: null,
  seenAt: now,
  actedAt: now,
  helpAt: null,
  shows: false,
}
/** What the server has not said yet, by what it was asked for. */
let held: Map<string, () => void>
let away = false

beforeEach(() => {
  held = new Map()
  away = false
  /** Answers when it is let. */
  const later = <T>(what: string, answer: T) =>
    new Promise<T>((resolve) => held.set(what, () => resolve(answer)))
  serveWith({
    get: (path) => {
      if (away) throw new ApiError(503, 'database-away', 'The server cannot be reached.')
      if (path.endsWith('/lesson')) return later('lesson', { now, students: [lena] })
      if (path.includes('/works/')) return later('work', { revision: 0, mix: null })
      return path.endsWith('/assignments') ? [] : assignment
    },
  })
})

/** Lets the server say something, once it was asked for it. */
async function says(what: string): Promise<void> {
  await expect.poll(() => held.has(what)).toBe(true)
  held.get(what)!()
}

describe('a lesson that is opened', () => {
  it('says nothing of the class before it is known', async () => {
    await atRoom(LessonPage, { group: 'g' })
    await expect.element(page.getByTestId('room-loading')).toBeVisible()
    expect(page.getByText('There are no students').query()).toBeNull()
    expect(page.getByText('0 of 0').query()).toBeNull()
    await says('lesson')
    await expect.element(page.getByTestId('in-lesson')).toHaveTextContent('Lena')
    await expect.element(page.getByText('1 of 1')).toBeVisible()
  })

  it('says that nobody has begun only once it is known', async () => {
    await atRoom(LessonPage, { group: 'g' })
    await says('lesson')
    await page.getByTestId('in-lesson').click()
    await expect.element(page.getByTestId('room-loading')).toBeVisible()
    await says('work')
    await expect.element(page.getByTestId('room-empty')).toHaveTextContent('Lena')
  })

  it('says why it is not there, and is fetched again', async () => {
    away = true
    await atRoom(LessonPage, { group: 'g' })
    await expect.element(page.getByTestId('room-failed')).toHaveTextContent('cannot be reached')
    away = false
    await page.getByTestId('room-again').click()
    await says('lesson')
    await expect.element(page.getByTestId('in-lesson')).toBeVisible()
  })
})
