import { expect, test, whole } from '../harness/test'

test('a fade that was drawn is seen as it is heard, follows its line, and plays where it is pressed', async ({
  somebody,
}) => {
  const bea = await somebody()
  await bea.atBench('Bea Castellan', 'Out of the dark')
  await bea.at('view-heard').click()
  const picture = bea.at('fade-picture')
  await expect(picture.first()).toBeVisible({ timeout: 30_000 })
  await expect(bea.page.getByText(/It is fully there at bar 8/)).toBeVisible()
  const box = (await picture.first().boundingBox())!
  await bea.page.mouse.click(box.x + box.width / 2, box.y + 80)
  await expect(bea.at('place')).toHaveText(/^[45]·/)
  // over sooner: the picture is made anew
  await bea.at('view-lines').click()
  await bea.at('hand-bars').click()
  await bea.at('task-bars').click()
  await bea.at('move-fade in').click()
  await bea.at('view-heard').click()
  await expect(bea.page.getByText(/It is fully there at bar 8, beat [23]/)).toBeVisible({ timeout: 30_000 })
  // the same of the starting mix lies beside it, and says that nothing fades there
  await bea.choose('beside', 'starting mix')
  await expect(bea.page.getByText('Nothing like it in: starting mix.')).toBeVisible()
})

whole(
  'a hand-in without a line is looked at by its balance, and a version beside what it began with',
  async ({ somebody }) => {
    const maren = await somebody()
    await maren.atReview('Maren Holt', 'First balance')
    await expect(maren.at('lead-picture')).toBeVisible({ timeout: 120_000 })
    await expect(maren.at('card-balance')).toContainText(/covers|Nothing covers the lead/)
    // its rows open their place, and it plays
    await maren.at('found-check').first().getByRole('button').first().click()
    await expect(maren.at('play')).toHaveAttribute('aria-label', /[Ss]top/)
    await maren.at('show-figures').click()
    await expect(
      maren.at('figures').getByRole('table', { name: 'The lead over everything else' }),
    ).toBeVisible()
  },
)
