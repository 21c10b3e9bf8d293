import { beforeEach, describe, expect, it } from 'vitest'
import { page } from 'vitest/browser'
import { ApiError } from '../../api/errors'
import { serveWith } from '../../../test/fake-server'
import { assignment, handedIn, queued } from '../../../test/room/hand-ins'
import { atRoom } from '../../../test/room/room'
import SheetsPage from './SheetsPage.vue'

const ines = handedIn('h1', 'Ines Varga', -60, ['Later.', '<b>Softer</b> here'])
const oskar = handedIn('h2', 'Oskar Lindqvist', -30)
const all = [ines, oskar]
let away = false

beforeEach(() => {
  away = false
  serveWith({
    get: (path) => {
      if (away) throw new ApiError(403, 'not-yours', 'This assignment is somebody else’s.')
      if (path.includes('/hand-ins/')) return all.find((h) => path.endsWith(h.id))
      return path.endsWith('/hand-ins') ? all.map(queued) : assignment
    },
  })
})

const papers = () => page.getByTestId('paper')

describe('feedback on paper', () => {
  it('is a sheet for everybody, with the remarks by number and whatever was written as it was written', async () => {
    await atRoom(SheetsPage, { assignment: 'a' })
    await expect.poll(() => papers().all().length).toBe(2)
    await expect.element(papers().first()).toHaveTextContent('Ines Varga')
    await expect.element(papers().first()).toHaveTextContent('<b>Softer</b> here')
    await expect.element(papers().first()).toHaveTextContent('To Ines Varga.')
    await expect.element(papers().first()).toHaveTextContent('Please try a new version')
    await expect.element(page.getByTestId('print')).toBeEnabled()
  })

  it('is one sheet for one of them', async () => {
    await atRoom(SheetsPage, { assignment: 'a', handIn: 'h2' })
    await expect.element(papers()).toHaveTextContent('Oskar Lindqvist')
    expect(papers().all()).toHaveLength(1)
  })

  it('is said to be on its way, and cannot be printed before', async () => {
    let arrive = (): void => undefined
    const road = new Promise<void>((resolve) => (arrive = resolve))
    serveWith({
      get: async (path) => {
        await road
        if (path.includes('/hand-ins/')) return ines
        return path.endsWith('/hand-ins') ? [queued(ines)] : assignment
      },
    })
    await atRoom(SheetsPage, { assignment: 'a' })
    await expect.element(page.getByTestId('room-loading')).toBeVisible()
    await expect.element(page.getByTestId('print')).toBeDisabled()
    arrive()
    await expect.element(papers()).toHaveTextContent('Ines Varga')
    expect(page.getByTestId('room-loading').query()).toBeNull()
  })

  it('says why it is not there, and is fetched again', async () => {
    away = true
    await atRoom(SheetsPage, { assignment: 'a' })
    await expect.element(page.getByText('This assignment is somebody else’s.')).toBeVisible()
    expect(papers().all()).toHaveLength(0)
    away = false
    await page.getByTestId('room-again').click()
    await expect.poll(() => papers().all().length).toBe(2)
  })
})
