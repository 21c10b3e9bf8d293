import { beforeEach, describe, expect, it, vi } from 'vitest'
import { page, userEvent } from 'vitest/browser'
import { serveWith } from '../../../../test/fake-server'
import { atRoom } from '../../../../test/room/room'
import { term } from '../../../../test/room/term'
import TermPart from './TermPart.vue'
import { useTerm } from './term-store'

const sent = vi.fn()

beforeEach(() => {
  sent.mockReset()
  serveWith({
    get: (path) => (path.endsWith('/term') ? term : []),
    post: (path, body) => {
      sent(path, body)
      return { count: 2 }
    },
  })
})

const rows = () => page.getByTestId('term-row')
const cells = () => page.getByTestId('cell').all()

describe('the term at a glance', () => {
  it('says every cell in words, and leads from it to the hand-in', async () => {
    await atRoom(TermPart, { group: 'g' })
    await expect.poll(() => rows().all().length).toBe(3)
    // who needs help most first; equal ones by name
    await expect.element(rows().nth(0)).toHaveTextContent('Ben')
    await expect.poll(() => cells().length).toBe(6)
    const labels = cells().map((c) => c.element().getAttribute('aria-label'))
    expect(labels[0]).toBe('Ben, Fade in: missing')
    expect(labels[2]).toBe('Cleo, Fade in: came back to be improved, 0 of 1 tasks met, 30 hours late')
    expect(labels[4]).toBe('Anna, Fade in: accepted, version 2, 1 of 1 tasks met')
    expect(cells()[4]!.element().getAttribute('href')).toBe('/review/one/h1')
    expect(cells()[0]!.element().getAttribute('href')).toBeNull()
  })

  it('is sorted by what waits longest, and by name', async () => {
    await atRoom(TermPart, { group: 'g' })
    await page.getByTestId('order-waiting').click()
    await expect.element(rows().nth(0)).toHaveTextContent('Cleo')
    await page.getByTestId('order-name').click()
    await expect.element(rows().nth(0)).toHaveTextContent('Anna')
  })

  it('does something for several at once: one remark on their newest versions', async () => {
    await atRoom(TermPart, { group: 'g' })
    for (const name of ['Anna', 'Cleo']) await page.getByLabelText(`Choose ${name}`, { exact: true }).click()
    await expect.element(page.getByText('2 students chosen')).toBeVisible()
    await page.getByTestId('remark-chosen').click()
    await expect.element(page.getByTestId('chosen-send')).toBeDisabled()
    await page.getByLabelText('Remark for all of them').fill('Listen to the first beat.')
    await page.getByTestId('chosen-send').click()
    await expect.poll(() => sent.mock.calls.length).toBe(1)
    expect(sent.mock.lastCall![1]).toMatchObject({ handIns: ['h2', 'h4'], text: 'Listen to the first beat.' })
    await expect.element(page.getByTestId('notice')).toHaveTextContent('on 2 hand-ins')
  })

  it('says how its figures are worked out, and what could be taught next', async () => {
    await atRoom(TermPart, { group: 'g' })
    await expect.element(page.getByText('2 of 3 have not met it yet')).toBeVisible()
    await page.getByTestId('how').click()
    await expect.element(page.getByText('each counts 3 if it is missing')).toBeVisible()
    await userEvent.keyboard('{Escape}')
  })

  it('keeps to the class that is wanted, however late another one comes', async () => {
    let late: (() => void) | null = null
    serveWith({
      get: (path) =>
        path.includes('/slow/')
          ? new Promise((done) => (late = () => done({ ...term, group: { ...term.group, id: 'slow' } })))
          : term,
    })
    await atRoom(TermPart, { group: 'g' })
    await expect.poll(() => rows().all().length).toBe(3)
    const store = useTerm()
    const first = store.open('slow')
    await store.open('g')
    late!()
    await first
    expect(store.term?.group.id).toBe('g')
  })

  it('shows kindly that there is nothing yet, and why it could not be fetched', async () => {
    serveWith({ get: () => ({ ...term, students: [], assignments: [], cells: [] }) })
    await atRoom(TermPart, { group: 'g' })
    await expect.element(page.getByText('No students yet')).toBeVisible()
  })
})
