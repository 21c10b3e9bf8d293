import { expect, test, whole } from '../harness/test'

test('a server that is killed costs nothing: the edit stays, says so, and is saved when it is back', async ({
  somebody,
  installation,
}) => {
  const rune = await somebody()
  await rune.atBench('Rune Solberg')
  await rune.chooseTrack('squeezebox')
  const points = await rune.points()
  await rune.press(0.5, 0.5)
  await rune.isSaved()

  await installation.killServer()
  await rune.press(0.7, 0.5)
  await expect(rune.at('save-state')).toHaveText('Kept here, sent later')
  await rune.press(0.8, 0.4)
  expect(await rune.points()).toBe(points + 3)

  await installation.startServer()
  await expect(rune.at('save-state')).toHaveText('Saved')
  await rune.page.reload()
  await rune.canPlay()
  await rune.chooseTrack('squeezebox')
  expect(await rune.points()).toBe(points + 3)
})

whole(
  'what could not be sent before the lid was closed is there when it opens again',
  async ({ somebody, installation }) => {
    const rune = await somebody()
    await rune.atBench('Rune Solberg')
    await rune.chooseTrack('tide')
    const points = await rune.points()
    await installation.killServer()
    await rune.press(0.6, 0.3)
    await expect(rune.at('save-state')).toHaveText('Kept here, sent later')
    // signing out is no way to lose it either
    await rune.at('account').click()
    await rune.page.getByRole('button', { name: 'Sign out', exact: true }).click()
    await expect(rune.page.getByText('Some of your work has not been sent yet')).toBeVisible()
    await rune.page.getByRole('button', { name: 'Stay signed in', exact: true }).click()
    await rune.page.goto('about:blank')

    await installation.startServer()
    await rune.page.goto(installation.address)
    await rune.openBench()
    await rune.chooseTrack('tide')
    expect(await rune.points()).toBe(points + 1)
    await rune.isSaved()

    // once all is sent, signing out takes it off this machine
    await rune.at('account').click()
    await rune.page.getByRole('button', { name: 'Sign out', exact: true }).click()
    await expect(rune.page.getByRole('heading', { name: 'Who are you today?' })).toBeVisible()
    expect(await rune.page.evaluate(async () => (await indexedDB.databases()).map((d) => d.name))).toEqual([])
  },
)

test('of two windows the older one is told, and nothing is overwritten', async ({ somebody }) => {
  const first = await somebody()
  await first.atBench('Wilma Osei')
  await first.chooseTrack('squeezebox')
  const points = await first.points()

  const second = await somebody()
  await second.atBench('Wilma Osei')
  await expect(first.page.getByRole('alertdialog')).toBeVisible({ timeout: 12_000 })
  await second.chooseTrack('squeezebox')
  await second.press(0.4, 0.5)
  await second.isSaved()

  await first.at('work-here').click()
  await expect(first.page.getByRole('alertdialog')).toBeHidden()
  await expect.poll(() => first.points()).toBe(points + 1)
  await expect(second.page.getByRole('alertdialog')).toBeVisible({ timeout: 12_000 })
})

whole('the copy that lost is kept, and offered as a try', async ({ somebody }) => {
  const first = await somebody()
  await first.atBench('Oskar Lindqvist')
  await first.chooseTrack('squeezebox')
  const points = await first.points()

  // the first machine loses its network and goes on drawing; on the second one the work goes on as well
  await first.page.context().setOffline(true)
  await first.press(0.45, 0.5)
  await expect(first.at('save-state')).toHaveText('Kept here, sent later')
  const second = await somebody()
  await second.atBench('Oskar Lindqvist')
  await second.chooseTrack('squeezebox')
  await second.press(0.3, 0.2)
  await second.press(0.35, 0.3)
  await second.isSaved()

  await first.page.context().setOffline(false)
  await expect(first.at('tries')).toHaveText(/1 try/)
  await first.at('work-here').click()
  expect(await first.points()).toBe(points + 2)
  await first.at('tries').click()
  await first.page.locator('[data-test^="go-on-"]').click()
  await expect.poll(() => first.points()).toBe(points + 1)
  await first.isSaved()
  await first.page.keyboard.press('Control+z')
  await expect.poll(() => first.points()).toBe(points + 2)
})
