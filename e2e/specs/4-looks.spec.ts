import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { expect, test, type Person } from '../harness/test'

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')

/** Nothing fades, and axe may be put into the page. */
const STILL = { reducedMotion: 'reduce', bypassCSP: true } as const

/** Waits until nothing on the page fades or moves any more: what is half shown has half its contrast. */
async function stands(page: Person['page']): Promise<void> {
  await page.waitForFunction(
    async () => {
      for (let frame = 0; frame < 12; frame++) {
        await new Promise(requestAnimationFrame)
        const moving = document
          .getAnimations()
          .some((a) => a.playState === 'running' && a.effect?.getComputedTiming().iterations !== Infinity)
        if (moving || document.querySelector('[class*="-enter-"], [class*="-leave-"]')) return false
      }
      return true
    },
    undefined,
    { timeout: 60_000 },
  )
}

/** What axe finds on a page; nothing, if all is well. */
async function faults({ page }: Person): Promise<string[]> {
  await stands(page)
  await page.evaluate(axe)
  return page.evaluate(async () => {
    const { axe: runner } = globalThis as unknown as {
      axe: { run(): Promise<{ violations: { id: string; nodes: { html: string }[] }[] }> }
    }
    const { violations } = await runner.run()
    return violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.html.slice(0, 160)).join(' | ')}`)
  })
}

/** Whether everything fits: nothing scrolls, the foot of the page is in view. */
async function fits({ page }: Person): Promise<void> {
  const over = await page.evaluate(() => [
    document.documentElement.scrollWidth - innerWidth,
    document.documentElement.scrollHeight - innerHeight,
  ])
  expect(Math.max(...over)).toBeLessThanOrEqual(0)
}

for (const colorScheme of ['light', 'dark'] as const) {
  for (const [width, height] of [
    [1280, 800],
    [1366, 640],
    [1024, 768],
  ] as const) {
    test(`${colorScheme} at ${width}×${height}: everything fits, and axe finds nothing`, async ({
      somebody,
    }) => {
      const options = { ...STILL, colorScheme, viewport: { width, height } }
      const milan = await somebody(options)
      await milan.signIn('Milan Novotny')
      expect(await faults(milan)).toEqual([])
      await milan.openBench()
      await fits(milan)
      expect(await faults(milan)).toEqual([])
      await milan.at('lane-chooser').click()
      await milan.at('lane-chooser').press('Escape')
      await milan.chooseTrack('squeezebox')
      await milan.at('hand-bars').click()
      await milan.drag([0.3, 0.5], [0.4, 0.5])
      await milan.at('shapes').click()
      await fits(milan)
      expect(await faults(milan)).toEqual([])
      await milan.at('view-balance').click()
      await fits(milan)
      expect(await faults(milan)).toEqual([])
      await milan.at('view-lines').click()
      await milan.at('pass').click()
      await milan.at('open-surfaces').click()
      await expect(milan.at('surfaces')).toBeVisible()
      expect(await faults(milan)).toEqual([])
      const maren = await somebody(options)
      await maren.signIn('Maren Holt')
      await maren.card().locator('[data-test=edit-brief]').click()
      await expect(maren.at('task')).toHaveCount(3)
      expect(await faults(maren)).toEqual([])
      await maren.page.goBack()
      await maren.open('review')
      await fits(maren)
      expect(await faults(maren)).toEqual([])
    })
  }
}

test('what checks, hints and mistakes say fits beside the lane, and axe finds nothing', async ({
  somebody,
}) => {
  const wilma = await somebody({ ...STILL, viewport: { width: 1366, height: 640 } })
  await wilma.atBench('Wilma Osei')
  // what came back from an earlier story would lie on top
  await wilma.page.getByRole('radio', { name: 'Brief' }).click()
  await wilma.at('ask').click()
  await expect(wilma.at('check').first()).toBeVisible({ timeout: 60_000 })
  await fits(wilma)
  expect(await faults(wilma)).toEqual([])
})

for (const colorScheme of ['light', 'dark'] as const) {
  test(`the places of a teacher, ${colorScheme}: axe finds nothing`, async ({ somebody }) => {
    const maren = await somebody({ ...STILL, colorScheme, viewport: { width: 1366, height: 640 } })
    await maren.signIn('Maren Holt')
    await maren.at('groups').click()
    await expect(maren.at('student')).toHaveCount(10)
    expect(await faults(maren)).toEqual([])
    await maren.at('add-students').click()
    await expect(maren.at('add-dialog')).toBeVisible()
    expect(await faults(maren)).toEqual([])
    await maren.page.keyboard.press('Escape')
    await maren.at('lesson').click()
    await maren.at('in-lesson').first().click()
    expect(await faults(maren)).toEqual([])
    await maren.at('show-move').click()
    await maren.canPlay()
    await fits(maren)
    expect(await faults(maren)).toEqual([])
    await maren.page.goto(maren.page.url().replace(/lesson.*/, 'songs'))
    await maren.at('song').first().click()
    await maren.canPlay()
    expect(await faults(maren)).toEqual([])
    await maren.page.getByRole('link', { name: 'Rudlo, to the first page' }).click()
    await maren.open('review')
    await maren.at('show-figures').click()
    await expect(maren.at('figures').locator('tbody tr').first()).toBeVisible({ timeout: 60_000 })
    await fits(maren)
    expect(await faults(maren)).toEqual([])
    await maren.at('edit-rubric').click()
    await expect(maren.at('rubric')).toBeVisible()
    expect(await faults(maren)).toEqual([])
    await maren.page.keyboard.press('Escape')
    await maren.at('compare').click()
    await expect(maren.at('crowd')).toBeVisible()
    expect(await faults(maren)).toEqual([])
    await maren.page.goto(maren.page.url().replace('/compare/', '/sheets/'))
    await expect(maren.at('paper').first()).toBeVisible()
    expect(await faults(maren)).toEqual([])
  })
}

test('the theme is kept on this machine', async ({ somebody }) => {
  const milan = await somebody()
  await milan.signIn('Milan Novotny')
  const paper = () => milan.page.evaluate(() => getComputedStyle(document.body).backgroundColor)
  const light = await paper()
  await milan.page.getByRole('button', { name: 'Milan Novotny' }).click()
  await milan.page.getByRole('radio', { name: 'Dark' }).click()
  await expect.poll(paper).not.toBe(light)
  await milan.page.reload()
  await expect.poll(paper).not.toBe(light)
})

test('the page asks for nothing from elsewhere, and its policy is never broken', async ({
  somebody,
  installation,
}) => {
  const milan = await somebody()
  const asked: string[] = []
  milan.page.on('request', (r) => asked.push(r.url()))
  await milan.atBench('Milan Novotny')
  expect(asked.filter((url) => !url.startsWith(installation.address) && !url.startsWith('data:'))).toEqual([])
  expect(await milan.page.evaluate(() => crossOriginIsolated)).toBe(true)
})
