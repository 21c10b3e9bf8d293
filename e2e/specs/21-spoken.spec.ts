import { expect, whole } from '../harness/test'

whole(
  'a remark is spoken while a key is held, kept through a lost server, and heard by the student',
  async ({ somebody, installation }) => {
    const maren = await somebody()
    await maren.atReview('Maren Holt')
    await maren.listHandIns()
    await maren.at('waiting').filter({ hasText: 'Oskar Lindqvist' }).click()
    await expect(maren.at('outcome')).toBeVisible({ timeout: 120_000 })
    await maren.at('lane-tab').filter({ hasText: 'Squeezebox' }).click()
    // held: it lasts as long as the key
    await maren.page.keyboard.down('d')
    await expect(maren.at('speak')).toHaveAttribute('aria-pressed', 'true')
    await maren.page.waitForTimeout(2500)
    await maren.page.keyboard.up('d')
    await expect(maren.at('spoken')).toHaveCount(1)
    await expect(maren.at('spoken')).toContainText(/0:0[2-4]/)
    await maren.at('play-spoken').click()
    await expect(maren.at('play-spoken')).toHaveAttribute('aria-label', 'Stop')
    await maren.at('play-spoken').click()

    // the server is away: it is kept here, and sent once it is back
    await installation.killServer()
    await maren.at('speak').click()
    await maren.page.waitForTimeout(1200)
    await maren.at('speak').click()
    await expect(maren.page.getByText('1 spoken remark is not sent yet.')).toBeVisible()
    await installation.startServer()
    await expect(maren.page.getByText('1 spoken remark is not sent yet.')).toBeHidden({ timeout: 60_000 })
    await expect(maren.at('spoken')).toHaveCount(2)
    await maren.at('again').click()

    const oskar = await somebody()
    await oskar.atBench('Oskar Lindqvist')
    await oskar.at('came-back').click()
    await expect(oskar.at('spoken')).toHaveCount(2)
    await oskar.at('spoken-with-song').first().click()
    await expect(oskar.at('play')).toHaveAttribute('aria-label', /[Ss]top/)
    await oskar.at('spoken-with-song').first().click()
  },
)

whole('without leave to use the microphone it is said, and text goes on', async ({ somebody }) => {
  const maren = await somebody()
  // as a browser answers where somebody said no
  await maren.page.addInitScript(() => {
    navigator.mediaDevices.getUserMedia = () => Promise.reject(new DOMException('Denied', 'NotAllowedError'))
  })
  await maren.atReview('Maren Holt')
  await maren.at('speak').click()
  await expect(maren.page.getByText(/This page may not use the microphone/)).toBeVisible()
  await maren.page.getByLabel('Remark', { exact: true }).fill('In words, then.')
  await expect(maren.at('pin-remark')).toBeVisible()
})

whole('what is spoken when somebody signs out is kept, and sent when they are back', async ({ somebody }) => {
  const maren = await somebody()
  await maren.atReview('Maren Holt')
  await maren.listHandIns()
  await maren.at('waiting').filter({ hasText: 'Jonas Feld' }).click()
  await expect(maren.at('outcome')).toBeVisible({ timeout: 120_000 })
  await maren.at('speak').click()
  await expect(maren.at('speak')).toHaveAttribute('aria-pressed', 'true')
  await maren.page.waitForTimeout(1500)
  await maren.at('account').click()
  await maren.at('sign-out').click()
  await expect(maren.at('account')).toBeHidden()
  await maren.atReview('Maren Holt')
  await maren.listHandIns()
  await maren.at('waiting').filter({ hasText: 'Jonas Feld' }).click()
  await expect(maren.at('spoken')).toHaveCount(1)
})
