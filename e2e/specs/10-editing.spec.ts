import { bubbleOn } from '../harness/bubble'
import { Finger } from '../harness/hand'
import { expect, test, type Person } from '../harness/test'

const NAME = 'Milan Novotny'

async function atSqueezebox(person: Person): Promise<void> {
  await person.signIn(NAME)
  await person.openBench()
  await person.chooseTrack('squeezebox')
}

/** Selects bars from one share of the song to another. */
async function selectBars(person: Person, from: number, to: number): Promise<void> {
  await person.at('hand-bars').click()
  await person.drag([from, 0.4], [to, 0.4])
}

test('up to four lanes lie on the desk, and hiding one says that it goes on sounding', async ({
  somebody,
}) => {
  const milan = await somebody()
  await atSqueezebox(milan)
  for (const [search, lane] of [
    ['squeezebox pan', 'track/squeezebox/pan'],
    ['tide volume', 'track/tide/level'],
    ['harp volume', 'track/harp/level'],
  ] as const) {
    await milan.at('lane-chooser').first().click()
    await milan.page.getByLabel('Search all lanes').fill(search)
    await milan.at(`beside-${lane}`).click()
    await expect(milan.page.getByLabel('Search all lanes')).toHaveCount(0)
  }
  await expect(milan.page.locator('[data-test^="on-desk-"]')).toHaveCount(4)
  await expect(milan.at('on-desk-track/harp/level').getByTestId('line')).toHaveCount(0)
  await milan.at('lane-chooser').first().click()
  await milan.page.getByLabel('Search all lanes').fill('hum volume')
  await expect(milan.at('beside-track/hum/level')).toBeDisabled()
  await milan.page.keyboard.press('Escape')
  await expect(milan.page.getByLabel('Search all lanes')).toHaveCount(0)

  const pan = milan.at('on-desk-track/squeezebox/pan')
  await pan.locator('[data-test="lane-place"]').click()
  await milan.at('lane-fold').click()
  await expect(pan).toContainText('it goes on sounding')
  await milan.page.keyboard.press('Escape')
  await milan.at('on-desk-track/tide/level').locator('[data-test="lane-place"]').click()
  await milan.at('lane-hide').click()
  await expect(milan.page.getByText('the line goes on sounding.')).toBeVisible()
  await expect(milan.page.locator('[data-test^="on-desk-"]')).toHaveCount(3)

  // a press on a lane beside works on that one
  await milan.at('hand-points').click()
  await milan
    .at('line-beside')
    .first()
    .click({ position: { x: 300, y: 40 } })
  await expect(milan.at('line')).toHaveCount(1)
})

test('bars are repeated, turned round, tilted, smoothed, thinned and moved, each as one step', async ({
  somebody,
}) => {
  const milan = await somebody()
  await atSqueezebox(milan)
  const points = await milan.points()
  await selectBars(milan, 0.05, 0.17)
  await milan.at('move-dip').click()
  const dipped = await milan.points()
  expect(dipped).toBeGreaterThan(points)
  await milan.at('span-more').click()
  for (const act of ['repeat', 'turn-round', 'tilt-up', 'smooth', 'bar-later', 'rest-later', 'thin']) {
    const before = await milan.at('line').getAttribute('aria-label')
    const done = await milan.steps()
    await milan.at(act).click()
    // thinning may find nothing to take away
    if (act === 'thin') continue
    await expect.poll(() => milan.steps()).toBe(done + 1)
    await milan.undo()
    await expect.poll(() => milan.at('line').getAttribute('aria-label')).toBe(before)
  }
  await milan.page.keyboard.press('Escape')
  await milan.isSaved()
})

test('a ready shape stays adjustable, by fields and by handles, as one step', async ({ somebody }) => {
  const milan = await somebody()
  await atSqueezebox(milan)
  const points = await milan.points()
  const steps = await milan.steps()
  await selectBars(milan, 0.5, 0.65)
  await milan.at('shapes').click()
  await milan.at('shape-wave').click()
  const once = await milan.points()
  expect(once).toBeGreaterThan(points)
  await milan.at('shape-cycles').fill('4')
  await milan.page.keyboard.press('Enter')
  expect(await milan.points()).toBeGreaterThan(once)
  await milan.dragAway(milan.at('handle-depth'), { x: 0, y: -46 })
  await milan.at('handle-middle').press('ArrowDown')
  expect(await milan.steps()).toBe(steps + 1)
  await milan.undo()
  expect(await milan.points()).toBe(points)
  await expect(milan.at('shape-bar')).toHaveCount(0)
})

test('cells take one value each; of a switch they turn over', async ({ somebody }) => {
  const milan = await somebody()
  await atSqueezebox(milan)
  const points = await milan.points()
  await milan.page.keyboard.press('4')
  await milan.drag([0.5, 0.4], [0.55, 0.6])
  expect(await milan.points()).toBeGreaterThan(points + 3)
  await milan.undo()
  await milan.at('lane-chooser').click()
  await milan.at('lane-track/squeezebox/mute').click()
  await milan.at('open-lane').click()
  await milan.press(0.5, 0.5)
  await milan.goTo(0.502)
  await milan.at('hand-points').click()
  expect(await milan.points()).toBe(3)
  await milan.undo()
})

test('several points are chosen by a box, moved, set and removed together; a span is bent by its middle', async ({
  somebody,
}) => {
  const milan = await somebody()
  await atSqueezebox(milan)
  // a line with room for a finger
  await milan.chooseTrack('tide')
  for (const [x, y] of [
    [0.45, 0.5],
    [0.5, 0.6],
    [0.55, 0.5],
  ] as const)
    await milan.press(x, y)
  const points = await milan.points()
  await milan.drag([0.43, 0.3], [0.57, 0.7], { choosing: true })
  await expect(milan.at('line').getByRole('status')).toHaveText(/^3 points selected/)
  await milan.drag([0.5, 0.6], [0.5, 0.5])
  await milan.at('set-to').selectOption({ label: 'silence (silent)' })
  await milan.at('line').focus()
  await milan.page.keyboard.press('Delete')
  expect(await milan.points()).toBe(points - 3)
  for (let i = 0; i < 3; i++) await milan.undo()
  expect(await milan.points()).toBe(points)

  await milan.press(0.7, 0.2)
  await milan.page.keyboard.press('Escape')
  const before = await milan.steps()
  // the middle of the line after a point that is selected can be taken
  await milan.press(0.55, 0.5)
  const middle = milan.page.locator('.surface .middle').last()
  await milan.dragAway(middle, { x: 0, y: -46 })
  expect(await milan.steps()).toBe(before + 1)
  await milan.at('history').click()
  await expect(milan.page.getByRole('button', { name: /^Bent the line/ })).toBeVisible()
  await milan.page.keyboard.press('Escape')
  // the bend, the point after it, and the three
  for (let i = 0; i < 5; i++) await milan.undo()
  expect(await milan.points()).toBe(points - 3)
  await milan.isSaved()
})

test('a motif is kept, placed, followed, set free by hand and taken away while in use', async ({
  somebody,
}) => {
  const milan = await somebody()
  await atSqueezebox(milan)
  await selectBars(milan, 0.05, 0.15)
  await milan.at('move-lift').click()
  await milan.at('motifs').click()
  await milan.page.getByLabel('Name for these bars').fill('Breath')
  await milan.at('keep-motif').click()
  await milan.page.keyboard.press('Escape')
  await milan.goTo(0.5)
  await expect(milan.page.getByLabel('Name for these bars')).toHaveCount(0)
  const points = await milan.points()
  await milan.at('motifs').click()
  await milan.at('place-Breath').click()
  await expect(milan.page.getByText('2 places')).toBeVisible()
  await milan.page.keyboard.press('Escape')
  expect(await milan.points()).toBeGreaterThan(points)
  // by hand: a point in the middle of the copy
  await milan.at('hand-points').click()
  await milan.press(0.55, 0.3)
  await expect(milan.page.getByText('no longer follows “Breath”')).toBeVisible()
  await milan.at('hand-bars').click()
  await milan.at('motifs').click()
  await milan.page.getByRole('button', { name: 'Take Breath away' }).click()
  await expect(milan.page.getByText('“Breath” is gone. The 1 place where it was keep')).toBeVisible()
  await milan.page.keyboard.press('Escape')
  await milan.isSaved()
})

test('a region is moved, and its lines go along where that is wished; it is split and trimmed', async ({
  somebody,
}) => {
  const milan = await somebody()
  await atSqueezebox(milan)
  const steps = await milan.steps()
  const bar = (await milan.at('region').first().boundingBox())!
  await milan.hand.drag([
    { x: bar.x + 200, y: bar.y + 6 },
    { x: bar.x + 260, y: bar.y + 7 },
  ])
  await expect(milan.at('region-question')).toBeVisible()
  await milan.at('along-copied').hover()
  await milan.at('along-moved').click()
  expect(await milan.steps()).toBe(steps + 1)
  await milan.at('history').click()
  await expect(milan.page.getByRole('button', { name: /^Moved a region, lines moved too/ })).toBeVisible()
  await milan.page.keyboard.press('Escape')
  await milan.undo()

  await milan.goTo(0.4)
  await milan.at('region-menu').click()
  await milan.at('region-split').click()
  await expect(milan.at('region')).toHaveCount(2)
  await milan.dragAway(milan.at('region-end').last(), { x: -128, y: 0 })
  expect(await milan.steps()).toBe(steps + 2)
  await milan.isSaved()
  await milan.undo()
  await milan.undo()
  await milan.isSaved()
})

test('a try is kept, heard beside the work and gone on from', async ({ somebody }) => {
  const milan = await somebody()
  await atSqueezebox(milan)
  const points = await milan.points()
  await milan.at('tries').click()
  await milan.page.getByLabel('Name for how it is now').fill('Before')
  await milan.at('keep-try').click()
  await expect(milan.at('hear-Before')).toBeVisible()
  await milan.page.keyboard.press('Escape')
  await expect(milan.at('keep-try')).toBeHidden()
  await milan.press(0.87, 0.2)
  await milan.at('tries').click()
  await milan.at('hear-Before').click()
  await milan.page.keyboard.press('Escape')
  await expect(milan.at('keep-try')).toBeHidden()
  await expect(milan.at('heard')).toContainText('“Before”')
  await milan.at('heard').click()
  await expect(milan.at('heard')).toHaveCount(0)
  expect(await milan.points()).toBe(points + 1)
  await milan.at('tries').click()
  await milan.at('go-on-Before').click()
  await milan.page.keyboard.press('Escape')
  await expect(milan.at('keep-try')).toBeHidden()
  expect(await milan.points()).toBe(points)
  await milan.undo()
  expect(await milan.points()).toBe(points + 1)
  await milan.undo()
  await milan.isSaved()
})

test('the setting is stamped at the play position, as a point or as a jump', async ({ somebody }) => {
  const milan = await somebody()
  await atSqueezebox(milan)
  const points = await milan.points()
  await milan.goTo(0.6)
  await milan.at('stamp').click()
  await milan.at('stamp-point').click()
  expect(await milan.points()).toBe(points + 1)
  await milan.undo()
  await milan.page.keyboard.press('Escape')
  await milan.at('line').focus()
  await milan.page.keyboard.press('Escape')
  await milan.at('stamp').click()
  await milan.at('stamp-jump').click()
  expect(await milan.points()).toBe(points + 2)
  await milan.undo()
  await milan.isSaved()
})

test('a finger sets a point, with its value large above it; two fingers scroll and zoom', async ({
  somebody,
}) => {
  const milan = await somebody({ hasTouch: true })
  await atSqueezebox(milan)
  const finger = new Finger(milan.page)
  const points = await milan.points()
  const at = await milan.onLane(await milan.freePlace(), 0.5)
  await finger.touch('touchStart', at)
  // clear of the finger, and larger than beside a mouse
  await expect.poll(async () => (await bubbleOn(milan.page))?.width).toBeGreaterThan(240)
  const told = (await bubbleOn(milan.page))!
  expect(told.y + told.height).toBeLessThan(at.y - 38)
  await finger.touch('touchMove', { x: at.x + 5, y: at.y - 40 })
  await finger.touch('touchEnd')
  await expect.poll(() => milan.points()).toBe(points + 1)
  const shown = () =>
    milan.page.evaluate(() => {
      const app = document.querySelector('#app') as unknown as {
        __vue_app__: {
          config: {
            globalProperties: {
              $pinia: { state: { value: { bench: { span: { from: number; to: number } } } } }
            }
          }
        }
      }
      const { from, to } = app.__vue_app__.config.globalProperties.$pinia.state.value.bench.span
      return to - from
    })
  const before = await shown()
  await finger.touch('touchStart', at)
  await finger.touch('touchStart', at, { x: at.x + 80, y: at.y })
  await finger.touch('touchMove', { x: at.x - 60, y: at.y }, { x: at.x + 160, y: at.y })
  await finger.touch('touchEnd')
  expect(await shown()).toBeLessThan(before * 0.7)
  expect(await milan.points()).toBe(points + 1)
  await milan.undo()
  await milan.isSaved()
})

test('nonsense is told, what is out of range is held at the end, a locked lane takes no paste', async ({
  somebody,
}) => {
  const milan = await somebody()
  await atSqueezebox(milan)
  await milan.press(await milan.freePlace(), 0.5)
  const field = milan.page.getByLabel('Value', { exact: true })
  await field.fill('banana')
  await field.press('Enter')
  await expect(milan.page.getByText('is no value here')).toBeVisible()
  await field.fill('+40')
  await field.press('Enter')
  await expect(milan.page.getByText('That is beyond the end of the fader')).toBeVisible()
  await expect(field).toHaveValue('+6.0 dB')
  await milan.undo()
  await milan.undo()
  await selectBars(milan, 0.3, 0.4)
  await milan.at('copy').click()
  await milan.at('lane-chooser').click()
  await milan.page.getByLabel('Search all lanes').fill('harp volume')
  await milan.at('lane-track/harp/level').click()
  await milan.at('span-select').click()
  await milan.page.getByRole('button', { name: 'the whole song' }).click()
  await milan.at('paste').click()
  await expect(milan.page.getByText('is locked. Open it first.')).toBeVisible()
  expect(await milan.points()).toBe(0)
})
