import { expect, test, whole } from '../harness/test'

test('a teacher sees the day, the class and one student, and each leads to the place itself', async ({
  somebody,
}) => {
  const maren = await somebody()
  await maren.signIn('Maren Holt')
  // the day: what waits, the oldest first
  await expect(maren.page.getByRole('heading', { name: 'Waiting to be heard' })).toBeVisible()
  const first = maren.at('waiting').first()
  await expect(first).toContainText('Oskar Lindqvist')
  await first.click()
  await expect(maren.page).toHaveURL(/\/review\//)
  await expect(maren.page.getByText('Oskar Lindqvist').first()).toBeVisible()

  // the class, and who needs help most
  await maren.page.goBack()
  await maren.at('groups').click()
  await expect(maren.at('term-row')).toHaveCount(10)
  await maren.at('order-name').click()
  await expect(maren.at('term-row').first()).toContainText('Ayla Demir')
  await maren.at('how').click()
  await expect(maren.page.getByText('Of the last 4 assignments')).toBeVisible()
  await maren.escape()

  // tasks inside an assignment, with what was measured
  await maren.at('open-assignment').filter({ hasText: 'Make room for the tune' }).click()
  await expect(maren.at('task-row')).toHaveCount(10)
  await expect(maren.at('crowd')).toBeVisible()
  await expect(maren.at('strip').first()).toBeVisible()
  await maren.at('strip-table').first().click()
  await expect(maren.at('strip').first().getByRole('table')).toContainText('Ines Varga')
  await maren.at('back-to-term').click()

  // one student, with a note that is only the teachers'
  await maren.at('to-student').filter({ hasText: 'Tobin Achterberg' }).click()
  await expect(maren.at('way')).toHaveCount(6)
  await maren.at('notes').locator('textarea').first().fill('Count in together.')
  await maren.at('save-notes').click()
  await expect(maren.page.getByText('Saved', { exact: true })).toBeVisible()
  await maren.page.reload()
  await expect(maren.at('notes').locator('textarea').first()).toHaveValue('Count in together.')
})

whole('the commonest mistakes are heard one after the other, where they are', async ({ somebody }) => {
  const maren = await somebody()
  await maren.signIn('Maren Holt')
  await maren.at('groups').click()
  const chart = maren.at('term-mistakes')
  await expect(chart).toBeVisible()
  await chart.getByRole('application').focus()
  await maren.page.keyboard.press('ArrowDown')
  await expect(chart.getByRole('status')).toContainText('of 10')
  await maren.page.keyboard.press('Enter')
  const hear = maren.at('hear-mistake').first()
  // of one that is in several assignments it is asked which
  await expect(hear.or(maren.at('round-mistake'))).toBeVisible()
  if (await hear.isVisible()) await hear.click()
  await expect(maren.at('round-mistake')).toBeVisible()
  await expect(maren.at('round-row').first()).toBeVisible()
})

whole(
  'several are given more time at once, and see it; a late hand-in says so on both sides',
  async ({ somebody, database }) => {
    const maren = await somebody()
    await maren.signIn('Maren Holt')
    await maren.at('groups').click()
    const row = maren.at('term-row').filter({ hasText: 'Bea Castellan' })
    await row.locator('[data-test="choose"] input').check()
    await maren.at('extend-chosen').click()
    await maren.choose(maren.page.getByRole('dialog').getByLabel('Assignment'), 'Make room for the tune')
    await maren.at('chosen-send').click()
    await expect(maren.at('notice')).toContainText('They see it too')
    const bea = await somebody()
    await bea.signIn('Bea Castellan')
    await bea.page.getByText('The whole term').click()
    await expect(bea.page.getByText(/You have until/).first()).toBeVisible()

    // past its date: said before it is handed in, and on the desk
    const wilma = await somebody()
    await wilma.atBench('Wilma Osei', 'Down the street')
    await wilma.at('hand-in').click()
    await expect(wilma.at('late')).toContainText('late')
    await wilma.at('confirm-hand-in').click()
    await expect(wilma.at('measured')).toBeVisible({ timeout: 60_000 })
    await maren.open('review', 'Down the street')
    await maren.listHandIns()
    await expect(
      maren.at('waiting').filter({ hasText: 'Wilma Osei' }).locator('[data-test=late]'),
    ).toBeVisible()
    await expect(maren.at('not-handed-in')).toContainText('Bea Castellan')

    // taken away again before anybody has looked at it
    await wilma.at('withdraw').click()
    await expect(wilma.at('close-hand-in')).toBeHidden()
    const [rows] = await database.query('SELECT COUNT(*) AS n FROM trail WHERE what = ?', [
      'withdrew a hand-in',
    ])
    expect(JSON.stringify(rows)).toContain('"n":1')
  },
)

whole('students are put together for the next lesson, which the first page says', async ({ somebody }) => {
  const maren = await somebody()
  await maren.signIn('Maren Holt')
  await maren.at('groups').click()
  for (const name of ['Petra Mraz', 'Wilma Osei'])
    await maren.at('term-row').filter({ hasText: name }).locator('[data-test="choose"] input').check()
  await maren.at('group-chosen').click()
  await maren.field('chosen-title').fill('Fades once more')
  await maren.at('chosen-send').click()
  await expect(maren.at('small-group')).toContainText('Petra Mraz, Wilma Osei')
  await maren.page.getByRole('link', { name: 'Today' }).click()
  await expect(maren.at('small-groups')).toContainText('Fades once more: Petra Mraz, Wilma Osei')
  await maren.at('groups').click()
  await maren.at('choose-small').click()
  await expect(maren.page.getByText('2 students chosen')).toBeVisible()
  await maren.at('part-small').click()
  await expect(maren.at('small-group')).toHaveCount(0)
})

whole(
  'marks in the school’s own scale: a rule, a mark by hand with its reason, excused work, and files',
  async ({ somebody }) => {
    const maren = await somebody()
    await maren.signIn('Maren Holt')
    await maren.goToClass('marks')
    await expect(maren.at('marks-row')).toHaveCount(10)
    await maren.at('scheme').click()
    await maren.choose('scale', 'Points')
    await maren.at('save-scheme').click()
    const ines = maren.at('marks-row').filter({ hasText: 'Ines Varga' })
    await expect(ines.locator('[data-test=mark]').first()).toHaveText(/^\d/)
    await ines.locator('[data-test=overall]').click()
    await maren.field('overall-percent').fill('100')
    await maren.field('overall-percent').press('Enter')
    await maren.at('by-hand').click()
    await expect(maren.page.getByText('the reason is kept with the mark')).toBeVisible()
    await maren.field('overall-reason').fill('Played it to the class.')
    await maren.at('by-hand').click()
    await expect(ines.locator('[data-test=overall]')).toContainText('15')
    await expect(ines.locator('[data-test=overall]')).toContainText('by hand')
    await ines.locator('[data-test=mark]').nth(1).click()
    await maren.field('excuse-reason').fill('Was away')
    await maren.at('excuse').click()
    await expect(ines.locator('[data-test=mark]').nth(1)).toHaveText('excused')
    await maren.at('mark-files').click()
    const [csv] = await Promise.all([maren.page.waitForEvent('download'), maren.at('csv').click()])
    expect(csv.suggestedFilename()).toMatch(/\.csv$/)
  },
)

whole(
  'a student sees the own progress, allows it to be shown, and hears the best of it',
  async ({ somebody }) => {
    const petra = await somebody()
    await petra.signIn('Petra Mraz')
    await petra.at('to-progress').click()
    await expect(petra.page.getByRole('heading', { level: 1, name: 'My progress' })).toBeVisible()
    await expect(petra.page.getByText(/You have met \d+ of \d+ tasks/)).toBeVisible()
    await petra.at('hear-best').first().click()
    await expect(petra.page.getByRole('button', { name: 'Stop' }).first()).toBeVisible({ timeout: 30_000 })
    await petra.page.getByRole('button', { name: 'Stop' }).first().click()
    await petra.at('share').locator('input').check()
    await petra.page.reload()
    await expect(petra.at('share').locator('input')).toBeChecked()

    const maren = await somebody()
    await maren.signIn('Maren Holt')
    await maren.at('groups').click()
    await maren.at('to-projector').click()
    await expect(maren.at('projector-counts')).toBeVisible()
    for (const name of ['Petra Mraz', 'Ines Varga']) await expect(maren.page.getByText(name)).toHaveCount(0)
  },
)

whole(
  'an assignment is removed and had back; a term ends, and a new one begins with the same students',
  async ({ somebody }) => {
    const maren = await somebody()
    await maren.signIn('Maren Holt')
    await maren.goToAssignments()
    await maren.card('First balance').locator('[data-test=more]').click()
    await maren.at('remove-assignment').click()
    await expect(maren.page.getByText('3 hand-ins')).toBeVisible()
    await maren.at('remove-yes').click()
    await expect(maren.card('First balance')).toHaveCount(0)
    await maren.at('removed').getByRole('button').first().click()
    await maren.at('restore').click()
    await expect(maren.card('First balance')).toHaveCount(1)

    await maren.goToClass('settings')
    await maren.at('next-term').click()
    await maren.field('next-name').fill('Thursday in spring')
    await maren.at('next-assignment').filter({ hasText: 'First balance' }).locator('input').check()
    await maren.at('begin-term').click()
    await expect(maren.page.getByText('Nothing to see yet')).toBeVisible()
    await maren.at('tab-people').click()
    await expect(maren.at('student')).toHaveCount(10)
    await maren.at('to-assignments').click()
    await expect(maren.at('draft').filter({ hasText: 'Thursday in spring' })).toHaveCount(1)

    // of the term before nothing is changed any more
    const ayla = await somebody()
    await ayla.atBench('Ayla Demir', 'All the lanterns')
    await ayla.at('hand-in').click()
    await ayla.at('confirm-hand-in').click()
    await expect(ayla.page.getByText('This term has ended').first()).toBeVisible()
  },
)
