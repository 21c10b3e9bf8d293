import { expect, whole } from '../harness/test'

whole('leaving the bench and coming straight back goes on as before', async ({ somebody }) => {
  const ayla = await somebody()
  await ayla.atBench('Ayla Demir')
  await ayla.chooseTrack('tide')
  const points = await ayla.points()
  await ayla.press(0.85, 0.4)
  await ayla.page.getByRole('link', { name: 'Rudlo: go to the first page' }).click()
  await ayla.openBench()
  await ayla.chooseTrack('tide')
  expect(await ayla.points()).toBe(points + 1)
  await ayla.press(0.9, 0.3)
  await ayla.isSaved()
  await ayla.at('play').click()
  await ayla.hears()
})
