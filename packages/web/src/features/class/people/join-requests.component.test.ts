import type { GroupView } from '@rudlo/contract/people'
import { describe, expect, it, vi } from 'vitest'
import { page } from 'vitest/browser'
import { serveWith } from '../../../../test/fake-server'
import { atRoom } from '../../../../test/room/room'
import { useClass } from './class-store'
import JoinRequests from './JoinRequests.vue'

const student = (name: string, signIn: string) => ({ id: signIn, name, signIn })
const group = {
  id: 'g',
  name: 'Monday',
  students: [student('Lena Brandt', 'lena')],
  former: [{ ...student('Udo Feld', 'udo'), role: 'student', leftAt: '2026-03-01T10:00:00.000Z' }],
  requests: [student('lena  brandt', 'lena2'), student('Udo Feld', 'udo2'), student('Mara Lis', 'mara')],
} as unknown as GroupView

describe('who asks to join', () => {
  it('is shown beside whoever has that name already, in the class or before', async () => {
    await atRoom(JoinRequests, { group })
    await expect.element(page.getByText('3 students want to join')).toBeVisible()
    const asked = page
      .getByTestId('alike')
      .all()
      .map((e) => e.element().textContent)
    expect(asked).toEqual([
      expect.stringContaining('Same name as lena, who is in the class already'),
      expect.stringContaining('Same name as udo, who was in the class before'),
    ])
  })

  it('is let in one by one, or all together', async () => {
    const sent = vi.fn()
    serveWith({
      get: (path) => (path.endsWith('/groups') ? [] : group),
      post: (path, body) => {
        sent(path, body)
        return { renamed: [] }
      },
    })
    await atRoom(JoinRequests, { group })
    await useClass().open('g')
    await page.getByTestId('let-in').nth(2).click()
    await expect.poll(() => JSON.stringify(sent.mock.lastCall)).toContain('mara')
    await page.getByText('Let everybody in').click()
    await expect.poll(() => JSON.stringify(sent.mock.lastCall)).toContain('lena2')
  })
})
