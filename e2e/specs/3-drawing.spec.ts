import { bubbleOn } from '../harness/bubble'
import { expect, test } from '../harness/test'

test('by mouse: add, move with figures, form, remove, undo and redo', async ({ somebody }) => {
  const ayla = await somebody()
  await ayla.atBench('Ayla Demir')
  await ayla.chooseTrack('tide')
  const points = await ayla.points()

  await ayla.press(0.5, 0.5)
  expect(await ayla.points()).toBe(points + 1)
  const at = await ayla.onLane(0.5, 0.5)
  await ayla.page.mouse.move(at.x, at.y)
  await ayla.page.mouse.down()
  await ayla.page.mouse.move(at.x + 60, at.y - 60, { steps: 6 })
  // what is drawn beside the point is said as well, once the hand rests
  const told = (await bubbleOn(ayla.page))!
  // above the point, or below it where there is no room
  expect(told.y + told.height < at.y - 68 || told.y > at.y - 52).toBe(true)
  expect(Math.abs(told.x + told.width / 2 - (at.x + 60))).toBeLessThan(120)
  await expect(ayla.at('line').getByRole('status')).toHaveText(
    /^Point \d+ of \d+: .* dB \(\+\d+\.\d\), bar \d+, beat [1-4]$/,
  )
  await ayla.page.mouse.up()
  await expect(ayla.page.getByLabel('Place', { exact: true })).toHaveValue(/^\d+\.[1-4]$/)

  // typing: a value beyond the end is clamped and said, nonsense changes nothing and says so
  const value = ayla.page.getByLabel('Value', { exact: true })
  await value.fill('+40')
  await value.press('Enter')
  await expect(ayla.at('notice')).toContainText('beyond the end of the fader')
  await expect(value).toHaveValue('+6.0 dB')
  await value.fill('loud')
  await value.press('Enter')
  await expect(ayla.at('notice')).toContainText('“loud” is no value here')
  await expect(value).toHaveValue('+6.0 dB')
  await value.fill('-6')
  await value.press('Enter')
  await expect(value).toHaveValue('−6.0 dB')

  await ayla.at('line').focus()
  await ayla.page.keyboard.press('PageUp')
  await ayla.page.getByLabel('Then').selectOption({ label: 'soft ends' })
  await ayla.page.keyboard.press('Control+z')
  await ayla.page.keyboard.press('Control+y')
  await expect(ayla.page.getByLabel('Then')).toHaveValue('3')

  await ayla.at('line').focus()
  await ayla.page.keyboard.press('PageDown')
  await ayla.page.getByRole('button', { name: 'Remove' }).click()
  expect(await ayla.points()).toBe(points)
  await ayla.page.getByRole('button', { name: 'Undo' }).click()
  expect(await ayla.points()).toBe(points + 1)
  await ayla.isSaved()
})

test('leaving the bench and coming straight back goes on as before', async ({ somebody }) => {
  const ayla = await somebody()
  await ayla.atBench('Ayla Demir')
  await ayla.chooseTrack('tide')
  const points = await ayla.points()
  await ayla.press(0.85, 0.4)
  await ayla.page.getByRole('link', { name: 'Rudlo, to the first page' }).click()
  await ayla.openBench()
  await ayla.chooseTrack('tide')
  expect(await ayla.points()).toBe(points + 1)
  await ayla.press(0.9, 0.3)
  await ayla.isSaved()
  await ayla.at('play').click()
  expect(await ayla.loudness(1500)).toBeGreaterThan(-70)
})
