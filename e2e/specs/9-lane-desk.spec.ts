import { expect, test, type Person } from '../harness/test'

const NAME = 'Milan Novotny'

async function atSqueezebox(person: Person): Promise<void> {
  await person.atBench(NAME)
  await person.chooseTrack('squeezebox')
}

test('any lane is found, opened, drawn on freely, switched off and kept', async ({ somebody }) => {
  const milan = await somebody()
  await atSqueezebox(milan)
  await milan.at('lane-chooser').click()
  await milan.page.getByLabel('Search all lanes').fill('harp pan')
  await milan.at('lane-track/harp/pan').click()
  await expect(milan.page.getByText('the brief does not ask for it')).toBeVisible()
  await milan.press(0.5, 0.5)
  expect(await milan.points()).toBe(0)
  await milan.at('open-lane').click()
  await milan.at('hand-freehand').click()
  const stroke = [...Array(31).keys()].map((i) => milan.onLane(0.2 + i * 0.01, 0.3 + 0.3 * Math.sin(i / 6)))
  await milan.hand.drag(await Promise.all(stroke))
  const drawn = await milan.points()
  expect(drawn).toBeGreaterThan(3)
  expect(drawn).toBeLessThan(30)
  await milan.at('line-on').click()
  await expect(milan.at('line-on')).toHaveText('line off')
  await milan.at('line-on').click()
  await milan.isSaved()

  await milan.page.reload()
  await milan.canPlay()
  await milan.at('lane-chooser').click()
  await milan.page.getByLabel('only lanes with moves').check()
  await milan.at('lane-track/harp/pan').click()
  expect(await milan.points()).toBe(drawn)
  await milan.at('clear-menu').click()
  await milan.at('clear-lane').click()
  expect(await milan.points()).toBe(0)
  await milan.isSaved()
})

test('the list of what was done leads back to any state', async ({ somebody }) => {
  const milan = await somebody()
  await atSqueezebox(milan)
  // a line that no other story draws on: there is room for a finger
  await milan.chooseTrack('tide')
  const points = await milan.points()
  for (let n = 1; n <= 3; n++) {
    await milan.press(await milan.freePlace(), 0.5)
    await expect.poll(() => milan.points()).toBe(points + n)
  }
  await milan.at('history').click()
  await expect(milan.page.getByRole('button', { name: /^Added a point/ })).toHaveCount(3)
  await milan.page.getByRole('button', { name: 'As it was opened' }).click()
  expect(await milan.points()).toBe(points)
  await milan.at('history').click()
  await milan.page
    .getByRole('button', { name: /^Added a point/ })
    .nth(1)
    .click()
  expect(await milan.points()).toBe(points + 2)
  await milan.isSaved()

  await milan.page.reload()
  await milan.canPlay()
  await milan.chooseTrack('tide')
  await milan.undo()
  expect(await milan.points()).toBe(points + 1)
  await milan.isSaved()
})
