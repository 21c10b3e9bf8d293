import { expect, test, type Person } from '../harness/test'

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
  await wilma.at('check').locator('summary').first().click()
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
  await drift.locator('[data-test=try-repair]').click()
  await expect(drift).toHaveCount(0)
  await expect(wilma.page.getByText('This is how it was when you last asked')).toBeVisible()
  expect(await wilma.points()).toBe(3)
  await wilma.page.keyboard.press('Control+z')
  await expect.poll(() => wilma.points()).toBe(2)
  // what was opened is open when she comes again
  await wilma.isSaved()
  await wilma.page.reload()
  await wilma.canPlay()
  await expect(wilma.page.getByText('Close your eyes and listen to the very first second')).toBeVisible()
})

test('checks answer after the bars were played, and say the same as the server at the hand-in', async ({
  somebody,
}) => {
  const rune = await somebody()
  await rune.atBench('Rune Solberg')
  await rune.atBar(1)
  await rune.at('play').click()
  await expect(rune.at('check').first()).toBeVisible({ timeout: 60_000 })
  await rune.at('play').click()
  const said = await sentences(rune)
  await rune.at('hand-in').click()
  await expect(rune.at('unmet')).toContainText('You can hand it in all the same')
  await rune.at('said').fill('The water should stay in the distance.')
  await rune.at('confirm-hand-in').click()
  await expect(rune.at('assessed').first()).toBeVisible({ timeout: 60_000 })
  const measured = await rune.page.locator('[data-test=assessed] .finding').allInnerTexts()
  for (const sentence of said) expect(measured).toContain(sentence)
  await rune.at('close-hand-in').click()

  const maren = await somebody()
  await maren.atReview('Maren Holt')
  await maren.page.getByRole('button', { name: /Rune Solberg/ }).click()
  await expect(maren.at('said')).toContainText('The water should stay in the distance.')
  await expect(maren.at('outcome')).toContainText('tasks')
  await maren.at('take').first().click()
  await expect(maren.page.getByPlaceholder('What should they listen for?')).not.toHaveValue('')
})

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

test('a brief of three tasks comes from a model in a few steps, fits it, and reaches the students', async ({
  somebody,
}) => {
  const maren = await somebody()
  await maren.signIn('Maren Holt')
  let steps = 0
  const click = async (name: string) => {
    steps++
    await maren.at(name).first().click()
  }
  await click('new-assignment')
  steps++
  await maren.at('new-name').locator('input').fill('From a model')
  steps++
  await maren.at('new-song').selectOption({ label: 'The Evening Ferry' })
  await click('create')
  await expect(maren.at('brief-state')).toContainText('Draft')
  await click('make-model')
  await maren.canPlay()
  // the mix as it should be: its lines are read from a table, as at any bench
  await click('files')
  await maren.at('read-lines').setInputFiles({
    name: 'model.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(MODEL),
  })
  await expect(maren.at('lines-taken')).toHaveText('2 lines were taken.')
  await maren.page.keyboard.press('Escape')
  await click('keep-model')
  await click('to-brief')
  await click('propose')
  await expect(maren.at('task')).toHaveCount(3)
  await click('try-out')
  await expect(maren.at('trial')).toContainText('it fits', { timeout: 90_000 })
  await click('save-brief')
  await click('give-out')
  await expect(maren.at('brief-state')).toHaveText('Saved')
  expect(steps).toBeLessThanOrEqual(12)

  const bea = await somebody()
  await bea.signIn('Bea Castellan')
  await expect(bea.page.getByRole('heading', { name: 'From a model' })).toBeVisible()
})

test('the editor adds usual lessons and checks, reorders, takes back, and says what is wrong', async ({
  somebody,
}) => {
  const maren = await somebody()
  await maren.signIn('Maren Holt')
  await maren.at('edit-brief').last().click()
  await expect(maren.at('task')).toHaveCount(3)
  await maren.at('add-lesson').selectOption({ label: 'Raise the solo' })
  await expect(maren.at('task')).toHaveCount(4)
  await maren.at('add-check').selectOption({ label: 'Silence by' })
  await expect(maren.at('edit-check')).toHaveCount(3)
  const title = () => maren.at('task').locator('.name').allInnerTexts()
  const before = await title()
  await maren.page.getByRole('button', { name: /Move Raise .* up/ }).click()
  expect((await title())[2]).toContain('Raise')
  await maren.at('task-title').focus()
  await maren.page.locator('h2', { hasText: 'Tasks' }).click()
  await maren.page.keyboard.press('Control+z')
  expect(await title()).toEqual(before)
  for (let left = 4; left > 0; left--) {
    if (!(await maren.at('remove-task').isVisible())) await maren.at('task').first().locator('.name').click()
    await maren.at('remove-task').click()
  }
  await maren.at('save-brief').click()
  await expect(maren.at('brief-problem')).toContainText('at least one task')
})

test('an assignment is given to a second group with a date of its own, and changed for both at once', async ({
  somebody,
}) => {
  const maren = await somebody()
  await maren.signIn('Maren Holt')
  await maren.at('groups').click()
  await maren.at('new-group').click()
  await maren.page.getByLabel('Name of the group').first().fill('Wednesday beginners')
  await maren.at('make-group').click()
  await maren.page.getByLabel('Names').fill('Lena Ortiz\nKofi Mensa')
  await maren.at('look-at-list').click()
  await maren.at('add-them').click()
  await expect(maren.at('card')).toHaveCount(2)
  await maren.at('cards-done').click()

  await maren.page.goto(new URL('/', maren.page.url()).href)
  await maren.card('First balance').getByRole('link', { name: /brief/i }).first().click()
  const other = maren.at('other-groups').locator('.line', { hasText: 'Wednesday beginners' })
  await other.getByRole('checkbox').check()
  await other.getByLabel('Due for Wednesday beginners').fill('2031-05-06T09:00')
  await maren.at('give-to-more').click()
  await expect(maren.page.getByText('One more group has it now.')).toBeVisible()
  await maren.at('title').locator('input').fill('First balance, slowly')
  await maren.at('save-brief').click()
  await expect(maren.at('brief-state')).toHaveText('Saved')
  await other.getByRole('link', { name: 'Wednesday beginners' }).click()
  await expect(maren.at('title').locator('input')).toHaveValue('First balance, slowly')
  await expect(maren.at('due').locator('input')).toHaveValue('2031-05-06T09:00')
  // as it was, for whoever comes after
  await maren.at('title').locator('input').fill('First balance')
  await maren.at('save-brief').click()
  await expect(maren.at('brief-state')).toHaveText('Saved')
})
