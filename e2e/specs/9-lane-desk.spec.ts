import { expect, test, type Person } from '../harness/test'

const NAME = 'Milan Novotny'

async function atSqueezebox(person: Person): Promise<void> {
  await person.signIn(NAME)
  await person.openBench()
  await person.chooseTrack('squeezebox')
}

/** Drags over the lane from one share of the song to another. */
async function sweepOver(person: Person, from: number, to: number, height = 0.4): Promise<void> {
  await person.drag([from, height], [to, height])
}

const value = async (person: Person) => (await person.page.locator('.now').textContent())!

test('bars are selected, lowered, faded and cleared; each is one step', async ({ somebody }) => {
  const milan = await somebody()
  await atSqueezebox(milan)
  const points = await milan.points()
  await milan.page.keyboard.press('2')
  await sweepOver(milan, 0.5, 0.62)
  await expect(milan.at('span-bar')).toContainText(/Bars? \d+/)
  await milan.at('lower').click()
  const lowered = await milan.points()
  expect(lowered).toBeGreaterThan(points)
  await milan.undo()
  expect(await milan.points()).toBe(points)
  await milan.at('move-fade out').click()
  await milan.at('span-more').click()
  await milan.at('clear-span').click()
  await milan.page.keyboard.press('Escape')
  await milan.undo()
  await milan.undo()
  expect(await milan.points()).toBe(points)
  await milan.isSaved()
})

test('what was copied is pasted at the play position, and refused on a lane of another kind', async ({
  somebody,
}) => {
  const milan = await somebody()
  await atSqueezebox(milan)
  await milan.at('hand-bars').click()
  await sweepOver(milan, 0.05, 0.2)
  await milan.at('copy').click()
  const points = await milan.points()
  await milan.goTo(0.8)
  await milan.at('paste').click()
  expect(await milan.points()).toBeGreaterThan(points)
  await milan.undo()

  await milan.at('lane-chooser').click()
  await milan.at('lane-track/squeezebox/pan').click()
  await milan.at('open-lane').click()
  await sweepOver(milan, 0.3, 0.5)
  await milan.at('paste').click()
  await expect(milan.page.getByText('it means nothing for pan')).toBeVisible()
  expect(await milan.points()).toBe(0)
})

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

test('a switch is drawn by bars and stands never between', async ({ somebody }) => {
  const milan = await somebody()
  await atSqueezebox(milan)
  await milan.at('lane-chooser').click()
  await milan.at('lane-track/squeezebox/mute').click()
  await milan.at('open-lane').click()
  await milan.at('hand-bars').click()
  await sweepOver(milan, 0.4, 0.6)
  await milan.page.getByRole('button', { name: 'on here' }).click()
  await milan.at('hand-points').click()
  for (const [share, text] of [
    [0.2, 'off'],
    [0.5, 'on'],
    [0.8, 'off'],
  ] as const) {
    await milan.goTo(share)
    await expect.poll(() => value(milan)).toBe(text)
  }
  await milan.at('clear-menu').click()
  await milan.at('clear-lane').click()
  await milan.isSaved()
})

test('touching a control brings its lane, unless that is not wanted', async ({ somebody }) => {
  const milan = await somebody()
  await atSqueezebox(milan)
  const harp = milan.page.getByRole('slider', { name: 'Volume of Harp' })
  await harp.press('ArrowDown')
  await expect(milan.page.getByRole('heading', { name: 'Harp' })).toBeVisible()
  await milan.at('lane-chooser').click()
  await milan.at('follows').uncheck()
  await milan.page.keyboard.press('Escape')
  await milan.page.getByRole('slider', { name: 'Volume of Whistle' }).press('ArrowDown')
  await expect(milan.page.getByRole('heading', { name: 'Harp' })).toBeVisible()
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
