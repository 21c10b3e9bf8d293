import { expect, whole } from '../harness/test'

whole(
  'everybody’s same bars are heard in turn and marked by one criterion, by keys alone',
  async ({ somebody }) => {
    const maren = await somebody()
    await maren.atReview('Maren Holt', 'Out of the dark')
    await maren.listHandIns()
    await maren.at('round').click()
    await expect(maren.at('round-row')).toHaveCount(4)
    await expect(maren.page.getByText('1 of 4 marked')).toBeVisible()
    await maren.canPlay()
    const row = (name: string) => maren.at('round-row').filter({ hasText: name })
    await maren.page.keyboard.press('ArrowDown')
    await expect(row('Tobin Achterberg')).toHaveAttribute('aria-current', 'true')
    await maren.page.keyboard.press('2')
    await maren.page.keyboard.press('ArrowDown')
    await maren.page.keyboard.press('3')
    await expect(maren.page.getByText('3 of 4 marked')).toBeVisible()
    // it plays from the one that was come to
    await maren.page.keyboard.press(' ')
    await expect.poll(() => maren.beat()).toBeGreaterThan(0)
    await expect(row('Bea Castellan')).toHaveAttribute('aria-current', 'true')
    await maren.page.keyboard.press(' ')
    // for talking about it in class
    await maren.tick('names', false)
    await expect(row('Bea Castellan')).toHaveCount(0)
    await expect(maren.page.getByText('Hand-in 3')).toBeVisible()
    // what was given is there when they are looked at one by one
    await maren.page.goto(maren.page.url().replace('/round/', '/review/'))
    await maren.listHandIns()
    await maren.at('waiting').filter({ hasText: 'Tobin Achterberg' }).click()
    await expect(
      maren.page.getByRole('group', { name: 'Moves' }).getByRole('button', { name: 'nearly' }),
    ).toHaveAttribute('aria-pressed', 'true')
  },
)
