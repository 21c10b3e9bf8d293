import type { GroupView } from '@rudlo/contract/people'
import { describe, expect, it } from 'vitest'
import { page } from 'vitest/browser'
import { serveWith } from '../../../../test/fake-server'
import { atRoom } from '../../../../test/room/room'
import MemberTable from './MemberTable.vue'

const student = (name: string) => ({ id: name.toLowerCase(), name, signIn: name, mustChange: false })
const group = { id: 'g', name: 'Monday', students: [student('Lena'), student('Udo')] } as unknown as GroupView

/** Ms that no test takes. */
const AS_LONG_AS_IT_TAKES = 1e6

/** A class whose students have works, which the server says when it is told to. */
async function atClass(patience = AS_LONG_AS_IT_TAKES) {
  const answers = new Map<string, () => void>()
  serveWith({
    get: (path) =>
      path.includes('/belongings')
        ? new Promise((resolve) => answers.set(path.split('/').at(-2)!, () => resolve({ works: 3 })))
        : [group],
  })
  await atRoom(MemberTable, { group, patience })
  const row = (name: string) => page.getByTestId('student').filter({ hasText: name })
  /** Presses what asks whether a student is to be taken out, and waits until the server was asked and the menu is gone. */
  const leave = async (name: string) => {
    await row(name).getByTestId('student-more').click()
    await page.getByTestId('leave').click()
    await expect.poll(() => answers.has(name.toLowerCase())).toBe(true)
    await expect.poll(() => page.getByTestId('leave').query()).toBeNull()
  }
  return { leave, answer: (name: string) => answers.get(name.toLowerCase())!() }
}

describe('whether a student is to be taken out', () => {
  it('is asked once it is known what they have, so that nothing moves under the hand', async () => {
    const { leave, answer } = await atClass()
    await leave('Lena')
    expect(page.getByTestId('take-out').query()).toBeNull()
    answer('Lena')
    await expect.element(page.getByTestId('leaving')).toHaveTextContent('3 works')
    await expect.element(page.getByTestId('take-out')).toBeVisible()
  })

  it('is asked without that where the server takes its time, and does not change then', async () => {
    const { leave, answer } = await atClass(100)
    await leave('Lena')
    await expect.element(page.getByTestId('take-out')).toBeVisible()
    answer('Lena')
    await new Promise((done) => setTimeout(done, 50))
    await expect.element(page.getByTestId('leaving')).not.toHaveTextContent('3 works')
  })

  it('is asked of whoever was chosen last', async () => {
    const { leave, answer } = await atClass()
    await leave('Lena')
    await leave('Udo')
    answer('Udo')
    await expect.element(page.getByTestId('leaving')).toHaveTextContent('Udo')
    answer('Lena')
    await new Promise((done) => setTimeout(done, 50))
    await expect.element(page.getByTestId('leaving')).not.toHaveTextContent('Lena')
  })
})
