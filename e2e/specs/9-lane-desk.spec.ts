import { expect, whole } from '../harness/test'

whole('lines and what was done are there when the bench is opened again', async ({ somebody }) => {
  const milan = await somebody()
  await milan.atBench('Milan Novotny')
  await milan.chooseTrack('tide')
  const points = await milan.points()
  for (const [n, place] of [0.35, 0.5, 0.65].entries()) {
    await milan.press(place, 0.5)
    await expect.poll(() => milan.points()).toBe(points + n + 1)
  }
  await milan.at('history').click()
  await milan.page
    .getByRole('menuitem', { name: /^Added a point/ })
    .nth(1)
    .click()
  expect(await milan.points()).toBe(points + 2)
  await milan.isSaved()

  await milan.page.reload()
  await milan.canPlay()
  await milan.chooseTrack('tide')
  expect(await milan.points()).toBe(points + 2)
  await milan.undo()
  expect(await milan.points()).toBe(points + 1)
  await milan.isSaved()
})
