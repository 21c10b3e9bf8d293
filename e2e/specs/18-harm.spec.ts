import { expect, test, type Person, whole } from '../harness/test'

/** Opens the bench, and goes past the sound check, which a browser that keeps nothing offers each time. */
async function openBench(somebody: Person): Promise<void> {
  await (await somebody.inTerm()).locator('a').first().click()
  await pastSoundCheck(somebody)
}

async function pastSoundCheck(somebody: Person): Promise<void> {
  const done = somebody.at('check-done')
  await somebody.canPlay()
  await somebody.page.waitForTimeout(500)
  if (await done.isVisible()) await done.click()
}

whole(
  'a browser that keeps nothing opens the bench, draws, saves, and says what is missing',
  async ({ somebody }) => {
    const wilma = await somebody()
    await wilma.page.addInitScript(() => {
      const denied = () => {
        throw new DOMException('The operation is insecure.', 'SecurityError')
      }
      for (const name of ['localStorage', 'sessionStorage', 'indexedDB'])
        Object.defineProperty(window, name, { get: denied, configurable: true })
    })
    await wilma.signIn('Wilma Osei')
    await openBench(wilma)
    await expect(wilma.at('keeps-nothing')).toBeVisible()
    await wilma.chooseTrack('squeezebox')
    const before = await wilma.points()
    await wilma.press(0.6, 0.5)
    await wilma.isSaved()
    // what is said of it is there for a screen reader, and for a hand that rests
    await expect(wilma.at('keeps-nothing')).toHaveAttribute('aria-label', /stores nothing by itself/)
    await wilma.page.reload()
    await pastSoundCheck(wilma)
    await wilma.chooseTrack('squeezebox')
    // a new point keeps to its neighbourhood there: how far one reaches is not remembered
    expect(await wilma.points()).toBe(before + 3)
  },
)

whole('a disk of the browser that is full keeps nobody from saving', async ({ somebody }) => {
  const wilma = await somebody()
  await wilma.page.addInitScript(() => {
    IDBObjectStore.prototype.put = () => {
      throw new DOMException('The disk is full.', 'QuotaExceededError')
    }
    Storage.prototype.setItem = () => {
      throw new DOMException('The disk is full.', 'QuotaExceededError')
    }
  })
  await wilma.signIn('Wilma Osei')
  await openBench(wilma)
  await wilma.chooseTrack('tide')
  await wilma.press(0.6, 0.4)
  await wilma.isSaved()
  await expect(wilma.at('keeps-nothing')).toBeVisible()
})

whole(
  'a machine whose clock is years off loses nothing, and is told right when things are due',
  async ({ somebody }) => {
    const petra = await somebody()
    await petra.page.clock.install({ time: new Date('2003-03-03T03:03:00Z') })
    await petra.signIn('Petra Mraz')
    const due = await (await petra.inTerm()).getByText(/Due /).first().textContent()
    expect(due).not.toMatch(/2003/)
    await (await petra.inTerm()).locator('a').first().click()
    await petra.page.clock.resume()
    await petra.canPlay()
    await petra.chooseTrack('squeezebox')
    await petra.press(0.6, 0.5)
    await petra.isSaved()
  },
)

test('a session that ends in the middle asks for a sign-in on the spot, and the work goes on', async ({
  somebody,
  installation,
}) => {
  const ayla = await somebody()
  await ayla.atBench('Ayla Demir')
  await ayla.chooseTrack('tide')
  const points = await ayla.points()
  await ayla.press(0.6, 0.3)
  await ayla.isSaved()
  // somewhere else she finds this browser in her list, and signs it out
  const other = await somebody()
  await other.signIn('Ayla Demir')
  await other.at('account').click()
  await other.at('own-sessions').click()
  await expect(other.at('sessions')).toContainText('this browser')
  // earlier stories may have left sessions of hers
  const ends = other.at('end-session')
  await expect(ends.first()).toBeVisible()
  for (let left = await ends.count(); left > 0; left--) {
    await ends.first().click()
    await expect(ends).toHaveCount(left - 1)
  }

  await expect(ayla.at('sign-in-again')).toBeVisible({ timeout: 20_000 })
  await expect(ayla.at('sign-in-again')).toContainText('Everything you did is still here.')
  await ayla.at('go-on').click()
  await expect(ayla.at('sign-in-again')).toBeHidden()
  await ayla.press(0.75, 0.6)
  await ayla.isSaved()
  expect(await ayla.points()).toBe(points + 2)
  expect(ayla.page.url()).toContain(`${installation.address}/bench/`)
})

whole(
  'a student who is taken out of the class is out at once, and is taken in again with everything',
  async ({ somebody, installation }) => {
    const [milan, maren] = [await somebody(), await somebody()]
    await milan.atBench('Milan Novotny')
    await maren.signIn('Maren Holt')
    await maren.goToClass()
    const row = maren.page.locator('[data-test="student"]', { hasText: 'Milan Novotny' })
    await row.locator('[data-test="student-more"]').click()
    await maren.at('leave').click()
    await maren.at('take-out').click()
    await expect(maren.at('former')).toContainText('Milan Novotny')
    await expect(milan.at('sign-in-again')).toBeVisible({ timeout: 20_000 })
    await milan.at('go-on').click()
    await expect(milan.at('sign-in-again')).toBeHidden()
    await milan.page.goto(installation.address)
    await expect(milan.page.getByText('You are not in a class at the moment')).toBeVisible()

    await maren.at('take-in').click()
    await expect(row).toBeVisible()
    await expect(maren.at('former')).toHaveCount(0)
    await milan.page.reload()
    await expect(await milan.inTerm()).toBeVisible()
  },
)
