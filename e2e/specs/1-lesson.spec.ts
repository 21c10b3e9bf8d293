import { expect, test, type Person } from '../harness/test'

async function openFor(teacher: Person, student: string): Promise<void> {
  await teacher.atReview('Maren Holt')
  await teacher.listHandIns()
  await teacher.at('waiting').filter({ hasText: student }).click()
  await expect(teacher.page.getByRole('heading', { name: new RegExp(`by ${student}`) })).toBeVisible()
}

/** The lesson from end to end: a student draws, listens, hands in; the teacher answers; a second version. */
test('a student hands in, the teacher answers, and a second version comes', async ({ somebody }) => {
  await test.step('a student draws lines, hears them, and hands in', async () => {
    const bea = await somebody()
    await bea.signIn('Bea Castellan')
    await expect((await bea.inTerm()).getByText('Not started yet')).toBeVisible()
    await bea.openBench()
    await expect(bea.page.getByRole('button', { name: 'Let the tide come in' })).toBeVisible()
    await expect(bea.page.locator('aside li')).toHaveCount(3)

    // the sound really plays: the place and the meter move
    const before = (await bea.at('place').textContent())!.trim()
    await bea.at('play').click()
    await expect(bea.at('play')).toHaveAccessibleName('Stop')
    await bea.hears()
    await expect(bea.at('place')).not.toHaveText(before)

    // a fade in on the tide, by mouse, while it plays
    await bea.chooseTrack('tide')
    await bea.press(0.125, 0.6)
    await expect.poll(() => bea.points()).toBe(2)
    await bea.drag([0, 0.6], [0, 0])
    await bea.isSaved()

    // the squeezebox goes away altogether: with moves off it is there again
    await bea.chooseTrack('squeezebox')
    await bea.press(0.2, 0)
    await bea.page.keyboard.press('PageUp')
    await bea.page.getByLabel('Value', { exact: true }).fill('silent')
    await bea.page.getByLabel('Value', { exact: true }).press('Enter')
    await bea.page.getByRole('button', { name: 'Make room at B' }).click()
    const strip = (await bea.at('strip').boundingBox())!
    await bea.page.mouse.move(strip.x + strip.width * 0.05, strip.y + 30)
    await bea.page.mouse.down()
    await bea.page.mouse.move(strip.x + strip.width * 0.075, strip.y + 30, { steps: 5 })
    await bea.page.mouse.up()
    await expect(bea.at('loop')).toHaveAccessibleName('Loop bars 2 to 3')
    await bea.page.mouse.click(strip.x + strip.width * 0.06, strip.y + 30)
    const alone = bea.page.getByRole('button', { name: 'Solo Squeezebox: listen to it alone' })
    await alone.click()
    await bea.hearsNothing()
    await bea.at('moves-off').click()
    await bea.hears()
    await bea.at('moves-on').click()
    await alone.click()
    await bea.at('play').click()
    await expect(bea.at('play')).toHaveAccessibleName('Play')
    await bea.page.keyboard.press('Control+z')
    await bea.page.keyboard.press('Control+z')
    await expect.poll(() => bea.points()).toBe(0)

    // it is all there after a reload
    await bea.isSaved()
    await bea.page.reload()
    await bea.canPlay()
    await bea.chooseTrack('tide')
    await expect.poll(() => bea.points()).toBe(2)

    // two acts from an opened bench
    await bea.at('hand-in').click()
    await bea.at('confirm-hand-in').click()
    const measured = bea.at('measured').locator('li')
    await expect(measured.first()).toHaveText(/^Tide fades in from silence over \d½? bars?, from bar 1 on/, {
      timeout: 90_000,
    })
    await expect(measured.nth(1)).toHaveText(/LUFS/)
    await expect(measured.nth(2)).toHaveText(/dBTP/)
    await bea.at('close-hand-in').click()
    await expect(bea.at('version')).toHaveText('Version 1 is handed in')

    // and nothing else can be handed in until something changed
    await bea.at('hand-in').click()
    await bea.at('confirm-hand-in').click()
    await expect(bea.page.getByRole('alert')).toHaveText('Nothing has changed since version 1.')
  })

  await test.step('the teacher listens, pins a remark, marks and gives it back', async () => {
    const maren = await somebody()
    await openFor(maren, 'Bea Castellan')
    await maren.at('everything').locator('.v-expansion-panel-title').first().click()
    await expect(maren.at('measured').locator('li').first()).toHaveText(/^Tide fades in from silence/)
    await maren.at('lane-tab').filter({ hasText: 'Tide' }).click()

    await maren.at('play').click()
    await maren.hears()
    await maren.at('play').click()

    const lane = (await maren.at('span-picker').boundingBox())!
    await maren.page.mouse.move(lane.x + lane.width * 0.06, lane.y + 120)
    await maren.page.mouse.down()
    await maren.page.mouse.move(lane.x + lane.width * 0.12, lane.y + 120, { steps: 5 })
    await maren.page.mouse.up()
    await expect(maren.page.getByLabel('From bar')).toHaveValue('2')
    await maren.page.getByLabel('Remark', { exact: true }).fill('Listen: <b>is it the water</b> that starts?')
    await maren.at('pin-remark').click()
    await expect(maren.page.getByText('<b>is it the water</b>')).toBeVisible()

    await maren.page.getByRole('group', { name: 'Fades' }).getByRole('button', { name: 'nearly' }).click()
    await maren.field('comment').fill('A good beginning. Now make room for the tune.')
    await expect(
      maren.page.getByRole('complementary', { name: 'Feedback' }).getByText('Saved', { exact: true }),
    ).toBeVisible()
    await maren.at('again').click()
    await maren.listHandIns()
    await expect(maren.at('given-back').filter({ hasText: 'Bea Castellan' })).toBeVisible()
  })

  await test.step('the student finds the remark at its place and answers with a second version', async () => {
    const bea = await somebody()
    await bea.signIn('Bea Castellan')
    await expect(bea.page.getByText('Version 1 came back to you')).toBeVisible()
    await bea.openBench()
    await expect(bea.page.getByText('A good beginning. Now make room for the tune.')).toBeVisible()
    await expect(bea.page.getByText('Please try a new version')).toBeVisible()
    await bea.at('remark').click()
    await expect(bea.page.locator('.lane-canvas .pin')).toHaveCount(1)
    await expect(bea.page.locator('.lane-canvas .pin-span')).toBeVisible()
    await expect(bea.at('place')).toHaveText(/^2/)

    // a dip on the squeezebox, by keyboard alone
    await bea.chooseTrack('squeezebox')
    await bea.press(0.12, 0.66)
    await bea.at('line').focus()
    for (const [bar, value] of [
      ['5', '-10'],
      ['12.3', '-10'],
      ['13', '-3'],
    ] as const) {
      await bea.at('strip').focus()
      await bea.page.keyboard.press('End')
      await bea.at('line').focus()
      await bea.page.keyboard.press('Enter')
      await bea.page.getByLabel('Place', { exact: true }).fill(bar)
      await bea.page.getByLabel('Place', { exact: true }).press('Enter')
      await bea.page.getByLabel('Value', { exact: true }).fill(value)
      await bea.page.getByLabel('Value', { exact: true }).press('Enter')
    }
    await expect.poll(() => bea.points()).toBe(5)
    await bea.isSaved()
    await bea.at('hand-in').click()
    await bea.at('confirm-hand-in').click()
    await expect(bea.at('measured')).toContainText(/Squeezebox goes down by [67]\.\d dB, is there at bar 5/)
    await bea.at('close-hand-in').click()
    await expect(bea.at('version')).toHaveText('Version 2 is handed in')
  })

  await test.step('the teacher sees version 2 with version 1 underneath, and what changed', async () => {
    const maren = await somebody()
    await openFor(maren, 'Bea Castellan')
    await expect(maren.page.getByRole('heading', { name: /Version 2, by Bea/ })).toBeVisible()
    await expect(maren.at('changes')).toHaveText(/^Since version 1: .*Squeezebox: new dip at bar 4/)
    await expect(maren.at('under').getByRole('radio', { name: 'version 1' })).toBeChecked()
    await maren.at('lane-tab').filter({ hasText: 'Squeezebox' }).click()
    await maren.at('accept').click()
    // nothing has been said: it asks once
    await maren.at('without-a-word').click()
    await maren.listHandIns()
    await expect(maren.at('given-back').filter({ hasText: 'Bea Castellan' })).toContainText('accepted')
  })
})
