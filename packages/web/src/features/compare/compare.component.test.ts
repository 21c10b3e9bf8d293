import { envelopeOf } from '@rudlo/core/mix'
import { beforeEach, describe, expect, it } from 'vitest'
import { page } from 'vitest/browser'
import { ApiError } from '../../api/errors'
import { serveWith } from '../../../test/fake-server'
import { assignment, handedIn, queued, REED } from '../../../test/room/hand-ins'
import { atRoom } from '../../../test/room/room'
import ComparePage from './ComparePage.vue'

const all = [
  handedIn('h1', 'Ines Varga', -60),
  handedIn('h2', 'Oskar Lindqvist', -30),
  handedIn('h3', 'Ayla Demir', -6),
]

let away = false

beforeEach(() => {
  away = false
  serveWith({
    get: (path) => {
      if (away) throw new ApiError(503, 'database-away', 'The server cannot be reached.')
      if (path.includes('/lines'))
        return all.map((h) => ({
          handIn: h.id,
          student: h.student,
          points: envelopeOf(h.document.mix, REED)!.points,
        }))
      if (path.includes('/hand-ins/')) return all.find((h) => path.endsWith(h.id))
      return path.endsWith('/hand-ins') ? all.map(queued) : assignment
    },
  })
})

const side = (n: 1 | 2) => page.getByRole('combobox', { name: `Side ${n}` })
async function choose(n: 1 | 2, text: string): Promise<void> {
  await side(n).click({ force: true })
  await page.getByRole('option', { name: text }).click()
}
const crowd = () => page.getByTestId('crowd')

describe('hand-ins beside each other', () => {
  it('say why they are not there, and are fetched again', async () => {
    away = true
    await atRoom(ComparePage, { assignment: 'a' })
    await expect.element(page.getByTestId('room-failed')).toHaveTextContent('cannot be reached')
    away = false
    await page.getByTestId('room-again').click()
    await expect.element(crowd()).toBeVisible()
  })

  it('lie on each other, with the middle half shaded, and two of them are told apart', async () => {
    await atRoom(ComparePage, { assignment: 'a' })
    await expect.element(crowd()).toHaveAttribute('aria-label', '3 lines; the middle half is shaded')
    await choose(1, 'Ines Varga, version 1')
    await choose(2, 'Ayla Demir, version 1')
    await expect.element(page.getByTestId('difference')).toHaveTextContent('Reed')
    // the same on both sides differs in nothing
    await choose(2, 'Ines Varga, version 1')
    await expect.element(page.getByTestId('difference')).not.toHaveTextContent('Reed')
  })

  it('are put on a side by a press on a name, and hide the names for the class', async () => {
    await atRoom(ComparePage, { assignment: 'a' })
    await page.getByRole('button', { name: 'Ayla Demir' }).click()
    await expect.element(page.getByText('Ayla Demir, version 1').first()).toBeVisible()
    await page.getByTestId('names').click()
    await expect.element(page.getByText('Ayla Demir')).not.toBeInTheDocument()
    await expect.element(page.getByText('Oskar Lindqvist')).not.toBeInTheDocument()
    await expect.element(crowd()).toBeVisible()
  })
})
