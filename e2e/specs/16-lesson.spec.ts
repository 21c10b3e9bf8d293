import { expect, whole } from '../harness/test'

whole(
  'during the lesson: a hand goes up, the teacher looks, points, and brings everybody to a bar',
  async ({ somebody }) => {
    const maren = await somebody()
    await maren.signIn('Maren Holt')
    await maren.goToClass()
    await maren.at('lesson').click()
    await expect(maren.at('in-lesson')).toHaveCount(10)

    const rune = await somebody()
    await rune.atBench('Rune Solberg')
    const ayla = await somebody()
    await ayla.atBench('Ayla Demir')
    await rune.at('need-help').click()
    await expect(maren.at('hand')).toContainText('Rune Solberg')
    await maren.at('hand').click()
    await expect(maren.page.getByRole('heading', { name: 'Rune Solberg' })).toBeVisible()
    await expect(maren.page.getByText('This student has not agreed to be shown to the class.')).toBeVisible()
    await maren.canPlay()

    // the work grows on the teacher's screen
    await rune.chooseTrack('squeezebox')
    await maren.page.getByRole('group', { name: 'Lanes' }).getByRole('button', { name: 'Squeezebox' }).click()
    const before = await rune.points()
    await rune.press(0.6, 0.5)
    expect(await rune.points()).toBe(before + 1)
    await rune.isSaved()
    await expect(maren.at('span-picker')).toHaveAttribute(
      'aria-label',
      new RegExp(`with ${before + 1} points`),
    )

    const lane = (await maren.at('span-picker').boundingBox())!
    await maren.page.mouse.move(lane.x + lane.width * 0.3, lane.y + 60)
    await maren.page.mouse.down()
    await maren.page.mouse.move(lane.x + lane.width * 0.4, lane.y + 60, { steps: 5 })
    await maren.page.mouse.up()
    await expect(rune.at('pointed')).toBeVisible()
    await expect(rune.at('notice')).toContainText('Your teacher points at this place.')
    await expect(maren.at('hand')).toHaveCount(0)
    await expect(rune.at('need-help')).toHaveAttribute('aria-pressed', 'false')
    expect(await rune.points()).toBe(before + 1)

    await maren.field('look-bar').fill('29')
    await maren.at('everybody').click()
    for (const student of [rune, ayla]) await expect(student.at('place')).toHaveText(/^29/)

    // on the projector there is no name, and only with consent
    await rune.tick('may-show')
    await maren.at('projector').click()
    await expect(maren.page.getByText('Rune Solberg')).toHaveCount(0)
    await expect(maren.page.getByRole('heading', { name: 'Make room for the tune' })).toBeVisible()
  },
)

whole(
  'a move is shown to the class: chosen, put on bars, heard with and without, over the whole screen',
  async ({ somebody }) => {
    const maren = await somebody()
    await maren.signIn('Maren Holt')
    await maren.goToClass()
    await maren.at('lesson').click()
    await maren.at('show-move').click()
    await expect(maren.page.getByRole('heading', { name: 'Fade in' })).toBeVisible()
    await maren.canPlay()
    await maren.at('demo-move').filter({ hasText: 'Build' }).click()
    await expect(maren.page.getByRole('heading', { name: 'Build' })).toBeVisible()
    const lane = (await maren.at('span-picker').boundingBox())!
    await maren.page.mouse.move(lane.x + lane.width * 0.5, lane.y + 60)
    await maren.page.mouse.down()
    await maren.page.mouse.move(lane.x + lane.width * 0.6, lane.y + 60, { steps: 5 })
    await maren.page.mouse.up()
    await maren.at('demo-hear').click()
    await expect(maren.at('place')).not.toHaveText(/^1 /)
    await maren.at('demo-without').click()
    await expect(maren.at('demo-without')).toHaveAttribute('aria-checked', 'true')
    await maren.at('demo-projector').click()
    await expect(maren.at('in-lesson')).toHaveCount(0)
    await maren.at('demo-projector').click()
    await maren.at('show-move').click()
    await expect(maren.at('move-demo')).toHaveCount(0)
  },
)
