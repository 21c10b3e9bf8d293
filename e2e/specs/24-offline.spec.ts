import { expect, test, type Person, whole } from '../harness/test'

/** Waits until this browser has kept the application and everything that is heard of the open song. */
async function isKept(person: Person): Promise<void> {
  const song = await person.song()
  await person.page.evaluate(() => navigator.serviceWorker.ready.then(() => true))
  const files = () =>
    person.page.evaluate(async () => {
      const keys = await (await caches.open('rudlo-answers')).keys()
      return keys.filter(({ url }) => url.includes('/api/assets/')).length
    })
  await expect.poll(files).toBe(2 * song.assets.length)
}

test('a work that was open once is opened, edited and heard without the server, and is sent later', async ({
  somebody,
  installation,
}) => {
  const rune = await somebody({ serviceWorkers: 'allow' })
  await rune.atBench('Rune Solberg')
  await rune.chooseTrack('squeezebox')
  const points = await rune.points()
  await rune.press(0.5, 0.5)
  await rune.isSaved()
  await isKept(rune)

  await installation.killServer()
  await rune.page.reload()
  await rune.canPlay()
  await expect(rune.at('offline')).toHaveText('Offline')
  await rune.chooseTrack('squeezebox')
  expect(await rune.points()).toBe(points + 1)
  await rune.press(0.7, 0.5)
  await rune.press(0.8, 0.4)
  await expect(rune.at('save-state')).toHaveText('Kept here, sent later')
  await rune.at('play').click()
  await rune.hears()

  // the lid is closed and opened, still without the server
  await rune.page.reload()
  await rune.canPlay()
  await rune.chooseTrack('squeezebox')
  expect(await rune.points()).toBe(points + 3)

  // what was not there is said before it is opened, and to whoever opens it by its address
  await rune.page.getByRole('link', { name: 'Rudlo: go to the first page' }).click()
  const others = (await rune.inTerm('')).filter({ hasText: 'not on this computer yet' })
  expect(await others.count()).toBeGreaterThan(0)
  await expect((await rune.inTerm()).getByText('not on this computer yet')).toHaveCount(0)
  await rune.page.goto(`${installation.address}/bench/00000000-0000-4000-8000-000000000000`)
  await expect(rune.page.getByText('this assignment is not on this computer yet')).toBeVisible()

  await rune.page.goto(installation.address)
  await rune.openBench()
  await installation.startServer()
  await expect(rune.at('save-state')).toHaveText('Saved')
  await expect(rune.at('offline')).toHaveCount(0)
  const envelope = (await rune.kept('Rune Solberg')).mix.envelopes.find(
    ({ address }) => address === 'track/squeezebox/level',
  )
  expect(envelope?.points).toHaveLength(points + 3)

  // with the server back the page is its own again, and not the kept one: each has a nonce of its own
  const nonces = []
  for (let n = 0; n < 2; n++) {
    const page = await rune.page.reload()
    expect(page?.fromServiceWorker()).toBe(true)
    nonces.push((await page!.allHeaders())['content-security-policy'])
  }
  expect(new Set(nonces).size).toBe(2)
  await rune.canPlay()
})

whole(
  'whoever signs out without the server is signed out, and their work is not shown to the next one',
  async ({ somebody, installation }) => {
    const rune = await somebody({ serviceWorkers: 'allow' })
    await rune.atBench('Rune Solberg')
    await isKept(rune)
    await installation.killServer()
    await rune.at('account').click()
    await rune.page.getByRole('button', { name: 'Sign out', exact: true }).click()
    await expect(rune.page.getByRole('heading', { name: 'Sign in' })).toBeVisible()
    await rune.page.reload()
    await expect(rune.at('room-failed')).toBeVisible()
    expect(await rune.page.evaluate(() => caches.has('rudlo-answers'))).toBe(false)

    await installation.startServer()
    await rune.at('room-again').click()
    await expect(rune.page.getByRole('heading', { name: 'Who are you today?' })).toBeVisible()
  },
)
