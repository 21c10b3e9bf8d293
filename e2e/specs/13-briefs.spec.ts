import type { Locator } from '@playwright/test'
import { expect, test, type Person, whole } from '../harness/test'

/** What the bench says of each check, as it is read. */
const sentences = (person: Person) => person.at('check').locator('.finding').allInnerTexts()

test('a student asks, reads where and why, sees the figures, opens a hint, tries a repair and undoes it', async ({
  somebody,
}) => {
  const wilma = await somebody()
  await wilma.atBench('Wilma Osei')
  await expect(wilma.at('check')).toHaveCount(0)
  await wilma.at('ask').click()
  await expect(wilma.at('check').first()).toHaveAttribute('data-verdict', 'not yet')
  expect((await sentences(wilma))[0]).toContain('Tide does not fade in')
  await wilma.at('check').getByRole('button', { name: 'Figures' }).first().click()
  await expect(wilma.at('check').getByText('before').first()).toBeVisible()
  await wilma.at('hint').click()
  await expect(wilma.page.getByText('Close your eyes and listen to the very first second')).toBeVisible()
  // a click shows the place and plays it
  await wilma.at('check').locator('.finding').first().click()
  await expect(wilma.at('play')).toHaveAttribute('aria-label', 'Stop')
  await wilma.at('play').click()
  const drift = wilma.page.locator('[data-kind=drift]')
  await expect(drift).toContainText('set a second point')
  expect(await wilma.at('mistake').count()).toBeLessThanOrEqual(3)
  // a repair is tried, not done: it lies beside the line, is heard, and taken
  await drift.locator('[data-test=try-repair]').click()
  await drift.locator('[data-test=hear-repair]').click()
  expect(await wilma.points()).toBe(2)
  await drift.locator('[data-test=take-repair]').click()
  await expect(drift).toHaveCount(0)
  await expect(wilma.page.getByText('This is how it was when you last checked')).toBeVisible()
  expect(await wilma.points()).toBe(3)
  await wilma.page.keyboard.press('Control+z')
  await expect.poll(() => wilma.points()).toBe(2)
  // what was opened is open when she comes again
  await wilma.isSaved()
  await wilma.page.reload()
  await wilma.canPlay()
  await expect(wilma.page.getByText('Close your eyes and listen to the very first second')).toBeVisible()
})

whole(
  'checks answer after the bars were played, and say the same as the server at the hand-in',
  async ({ somebody }) => {
    const rune = await somebody()
    await rune.atBench('Rune Solberg')
    await rune.atBar(1)
    await rune.at('play').click()
    await expect(rune.at('check').first()).toBeVisible({ timeout: 60_000 })
    await rune.at('play').click()
    const said = await sentences(rune)
    await rune.at('hand-in').click()
    await expect(rune.at('unmet')).toContainText('You can still hand it in')
    await rune.field('said').fill('The water should stay in the distance.')
    await rune.at('confirm-hand-in').click()
    await expect(rune.at('assessed').first()).toBeVisible({ timeout: 60_000 })
    const measured = await rune.page.locator('[data-test=assessed] .finding').allInnerTexts()
    for (const sentence of said) expect(measured).toContain(sentence)
    await rune.at('close-hand-in').click()

    const maren = await somebody()
    await maren.atReview('Maren Holt')
    await maren.listHandIns()
    await maren.page.getByRole('button', { name: /Rune Solberg/ }).click()
    await expect(maren.at('said')).toContainText('The water should stay in the distance.')
    await expect(maren.at('outcome')).toContainText('tasks')
    await maren.at('take').filter({ visible: true }).first().click()
    await expect(maren.page.getByRole('textbox', { name: 'Remark', exact: true })).not.toHaveValue('')
  },
)

/** A fade in, room made for the tune, and a fade out. */
const MODEL = `address,bar and beat,value
track/tide/level,1.1,silent
track/tide/level,5.1,-6
track/squeezebox/level,1.1,-3
track/squeezebox/level,4.4,-3
track/squeezebox/level,5.1,-10
track/squeezebox/level,13.1,-10
track/squeezebox/level,13.3,-3
track/squeezebox/level,29.1,-3
track/squeezebox/level,33.1,silent
`

whole(
  'a brief of three tasks comes from a model in a few steps, fits it, and reaches the students',
  async ({ somebody }) => {
    const maren = await somebody()
    await maren.signIn('Maren Holt')
    let steps = 0
    const click = async (name: string) => {
      steps++
      await maren.at(name).first().click()
    }
    await maren.goToAssignments()
    await click('new-assignment')
    steps++
    await maren.at('new-song').filter({ hasText: 'The Evening Ferry' }).click()
    await click('new-next')
    await click('from-model')
    await click('new-next')
    steps++
    await maren.field('new-name').fill('From a model')
    await click('create')
    await maren.canPlay()
    // the mix as it should be: its lines are read from a table, as at any bench
    await click('files')
    await maren.at('read-lines').setInputFiles({
      name: 'model.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from(MODEL),
    })
    await expect(maren.at('lines-taken')).toHaveText('2 lines read.')
    await maren.page.keyboard.press('Escape')
    await click('keep-model')
    await click('to-brief')
    await click('propose')
    await expect(maren.at('task')).toHaveCount(3)
    // it is tried out and saved on the way
    await click('give-out')
    await expect(maren.at('brief-state')).toHaveText('Saved', { timeout: 90_000 })
    await expect(maren.at('doubts')).toHaveCount(0)
    expect(steps).toBeLessThanOrEqual(12)

    const bea = await somebody()
    await bea.signIn('Bea Castellan')
    await expect(await bea.inTerm('From a model')).toBeVisible()
  },
)

whole(
  'the editor adds usual lessons and checks, reorders, takes back, and says what is wrong',
  async ({ somebody }) => {
    const maren = await somebody()
    await maren.signIn('Maren Holt')
    await maren.goToAssignments()
    await maren.card('Make room for the tune').getByRole('link', { name: 'Edit assignment' }).first().click()
    await expect(maren.at('task')).toHaveCount(3)
    await maren.at('add-task').click()
    await maren.at('add-lesson').filter({ hasText: 'Raise the solo' }).click()
    await expect(maren.at('task')).toHaveCount(4)
    await maren.at('add-check').click()
    await maren.at('check-silence').click()
    await expect(maren.at('edit-check')).toHaveCount(3)
    const title = () => maren.at('task').locator('.text').allInnerTexts()
    const before = await title()
    await maren.page.getByRole('button', { name: /Move “Raise .*” up/ }).click()
    expect((await title())[2]).toContain('Raise')
    await maren.field('task-title').focus()
    await maren.page.locator('h2', { hasText: 'Tasks' }).click()
    await maren.page.keyboard.press('Control+z')
    expect(await title()).toEqual(before)
    for (let left = 4; left > 0; left--) {
      if (!(await maren.at('remove-task').isVisible()))
        await maren.at('task').first().locator('button').first().click()
      await maren.at('remove-task').click()
      await expect(maren.at('task')).toHaveCount(left - 1)
    }
    await maren.at('save-brief').click()
    await expect(maren.at('brief-problem')).toContainText('at least one task')
  },
)

/** Types a day, as this browser writes dates, and a time. */
async function setMoment(field: Locator, day: string, time: string): Promise<void> {
  await field.locator('input').first().click()
  await field.locator('input').first().pressSequentially(day)
  await field.locator('input').first().press('Enter')
  await field.page().keyboard.press('Escape')
  await field.locator('input').last().fill(time)
  await field.locator('input').last().press('Enter')
}

whole(
  'an assignment is given to a second group with a date of its own, and changed for both at once',
  async ({ somebody }) => {
    const maren = await somebody()
    await maren.signIn('Maren Holt')
    await maren.goToClass()
    await maren.at('new-group').click()
    await maren.page.getByLabel('Class name').first().fill('Wednesday beginners')
    await maren.at('make-group').click()
    await maren.page.getByLabel('Names').fill('Lena Ortiz\nKofi Mensa')
    await maren.at('look-at-list').click()
    await maren.at('add-them').click()
    await expect(maren.at('card')).toHaveCount(2)
    await maren.at('cards-done').click()

    await maren.page.goto(new URL('/assignments', maren.page.url()).href)
    await maren.card('First balance').getByRole('link', { name: 'Edit assignment' }).first().click()
    await maren.at('part-publish').click()
    const other = maren.at('other-groups').locator('.line', { hasText: 'Wednesday beginners' })
    await other.getByRole('checkbox').check()
    const due = other.getByRole('group', { name: 'Due for Wednesday beginners' })
    await setMoment(due, '05/06/2031', '9:00')
    await maren.at('give-to-more').click()
    await expect(maren.page.getByText('One more class has it now.')).toBeVisible()
    await maren.at('part-about').click()
    await maren.at('title').locator('input').fill('First balance, slowly')
    await maren.at('save-brief').click()
    await expect(maren.at('brief-state')).toHaveText('Saved')
    await maren.at('part-publish').click()
    await other.getByRole('link', { name: 'Wednesday beginners' }).click()
    await maren.at('part-about').click()
    await expect(maren.at('title').locator('input')).toHaveValue('First balance, slowly')
    await maren.at('part-publish').click()
    await expect(maren.at('due').locator('input').first()).toHaveValue('05/06/2031')
    await expect(maren.at('due').locator('input').last()).toHaveValue('09:00')
    await maren.at('part-about').click()
    // as it was, for whoever comes after
    await maren.at('title').locator('input').fill('First balance')
    await maren.at('save-brief').click()
    await expect(maren.at('brief-state')).toHaveText('Saved')
  },
)
