import { expect, it } from 'vitest'
import { page } from 'vitest/browser'
import { atDesk } from '../../../test/desk/desk'
import { byEitherHand } from '../../../test/desk/screens'

const added = () => page.getByRole('menuitem', { name: /^Added a point/ })

byEitherHand('what was done', () => {
  it('is listed, and leads back to any state and on again', async () => {
    const milan = await atDesk({ free: true })
    await milan.chooseTrack('tide')
    for (const [n, place] of [0.3, 0.5, 0.7].entries()) {
      await milan.press(place, 0.5)
      await expect.poll(() => milan.steps).toBe(n + 1)
    }
    const all = milan.points.length
    await milan.click('history')
    await expect.poll(() => added().all().length).toBe(3)
    await page.getByRole('menuitem', { name: 'When you opened it' }).click()
    await expect.poll(() => milan.points.length).toBe(0)
    await milan.click('history')
    await added().nth(1).click()
    await expect.poll(() => milan.points.length).toBe(all - 1)
  })
})

byEitherHand('a try', () => {
  it('is kept, heard beside the work and gone on from, as one step', async () => {
    const milan = await atDesk()
    const before = milan.points.length
    await milan.click('tries')
    await milan.field('Name for how it is now').fill('Before')
    await milan.click('keep-try')
    await expect.element(milan.at('hear-Before')).toBeVisible()
    await milan.keys('Escape')
    await expect.element(milan.at('keep-try')).not.toBeInTheDocument()
    await milan.press(0.87, 0.2)
    await expect.poll(() => milan.points.length).toBe(before + 1)
    await milan.click('tries')
    await milan.click('hear-Before')
    await milan.keys('Escape')
    await expect.element(milan.at('heard')).toHaveTextContent('“Before”')
    await expect.element(milan.at('keep-try')).not.toBeInTheDocument()
    await milan.click('heard')
    await expect.element(milan.at('heard')).not.toBeInTheDocument()
    // hearing it changed nothing
    expect(milan.points).toHaveLength(before + 1)
    await milan.click('tries')
    await milan.click('go-on-Before')
    await milan.keys('Escape')
    await expect.poll(() => milan.points.length).toBe(before)
    await milan.undo()
    expect(milan.points).toHaveLength(before + 1)
  })
})
