import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { WHOLE } from '../../scripts/lib/whole.mjs'
import { expect, test, type Person, whole } from '../harness/test'

declare global {
  var axe: {
    run(
      where: Document,
      how: { runOnly?: string[] },
    ): Promise<{ violations: { id: string; nodes: { html: string }[] }[] }>
  }
}

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')

/** Nothing fades, and axe may be put into the page. */
const STILL = { reducedMotion: 'reduce', bypassCSP: true } as const

/** Waits until nothing on the page fades or moves any more: what is half shown has half its contrast. */
async function stands(page: Person['page']): Promise<void> {
  await page.waitForFunction(
    async () => {
      for (let frame = 0; frame < 6; frame++) {
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

/** What axe finds on a page, by all its rules or by some; nothing, if all is well. */
async function faults({ page }: Person, rules?: readonly string[]): Promise<string[]> {
  // a tip beside what was clicked goes as soon as anything is scrolled
  await page.evaluate(() => document.dispatchEvent(new Event('scroll')))
  await stands(page)
  // a page keeps it until it is left
  if (!(await page.evaluate(() => 'axe' in globalThis))) await page.evaluate(axe)
  return page.evaluate(async (only) => {
    const { violations } = await globalThis.axe.run(document, only ? { runOnly: [...only] } : {})
    return violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.html.slice(0, 160)).join(' | ')}`)
  }, rules)
}

/** Whether everything fits: nothing scrolls, the foot of the page is in view. */
async function fits({ page }: Person): Promise<void> {
  const over = await page.evaluate(() => [
    document.documentElement.scrollWidth - innerWidth,
    document.documentElement.scrollHeight - innerHeight,
  ])
  expect(Math.max(...over)).toBeLessThanOrEqual(0)
}

/** Whether nothing is wider than where it stands: not the page, and no sheet on it. */
async function fitsAcross({ page }: Person): Promise<void> {
  const over = await page.evaluate(() =>
    [document.documentElement, ...document.querySelectorAll('.sheet')]
      .filter((box) => box.scrollWidth > box.clientWidth + 1)
      .map((box) => `${box.className}: ${box.scrollWidth - box.clientWidth} px`),
  )
  expect(over, `${page.url()} at ${page.viewportSize()!.width}`).toEqual([])
}

/** What may go wrong as text grows: the names and roles of things do not change. */
const LARGE = ['scrollable-region-focusable', 'aria-hidden-focus', 'bypass', 'label']

const SCREENS = [
  { width: 1366, height: 640 },
  { width: 1024, height: 768 },
  { width: 1280, height: 800 },
] as const

/** Everything fits on every screen, and axe finds nothing in either theme. */
async function isSound(person: Person): Promise<void> {
  for (const screen of SCREENS) {
    await person.page.setViewportSize(screen)
    await stands(person.page)
    await fits(person)
  }
  await isLegible(person)
}

/** How many places were looked at. */
let places = 0

/** The same for a page that may be longer than the screen: in light, and every other place in one of the two other ways in turn. */
async function isLegible(person: Person): Promise<void> {
  expect(await faults(person), 'light').toEqual([])
  const turn = places++ % 4
  if (WHOLE || turn === 0) await isLegibleInDark(person)
  if (WHOLE || turn === 2) await isLegibleEnlarged(person)
}

/** Names, roles and order are the same as in light: only colours are looked at. */
async function isLegibleInDark(person: Person): Promise<void> {
  await person.page.emulateMedia({ colorScheme: 'dark', reducedMotion: 'reduce' })
  expect(await faults(person, ['color-contrast']), 'dark').toEqual([])
  await person.page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' })
}

/** Text twice as large, in the colours of the machine: names, roles and what scrolls are looked at once more. */
async function isLegibleEnlarged(person: Person): Promise<void> {
  await person.page.emulateMedia({ forcedColors: 'active', reducedMotion: 'reduce' })
  await person.page.evaluate(() => (document.documentElement.style.fontSize = '200%'))
  expect(await faults(person, LARGE), 'twice as large, in forced colours').toEqual([])
  await person.page.evaluate(() => (document.documentElement.style.fontSize = ''))
  await person.page.emulateMedia({ forcedColors: 'none', reducedMotion: 'reduce' })
}

test('on every screen and in both themes a student’s places fit, and axe finds nothing', async ({
  somebody,
}) => {
  const wilma = await somebody(STILL)
  await wilma.signIn('Wilma Osei')
  await isLegible(wilma)
  await wilma.openBench()
  await wilma.at('ask').click()
  await expect(wilma.at('check').first()).toBeVisible({ timeout: 60_000 })
  await isSound(wilma)
  if (WHOLE)
    await test.step('bars, shapes, the balance and surfaces', async () => {
      await wilma.chooseTrack('squeezebox')
      await wilma.at('hand-bars').click()
      await wilma.drag([0.3, 0.5], [0.4, 0.5])
      await wilma.at('shapes').click()
      await isSound(wilma)
      await wilma.at('view-balance').click()
      await isSound(wilma)
      await wilma.at('view-lines').click()
      await wilma.at('pass').click()
      await wilma.at('open-surfaces').click()
      await expect(wilma.at('surfaces')).toBeVisible()
      await isLegible(wilma)
    })
})

test('the places of a teacher: on every screen and in both themes they fit, and axe finds nothing', async ({
  somebody,
}) => {
  const maren = await somebody({ ...STILL, viewport: { width: 1366, height: 640 } })
  await maren.signIn('Maren Holt')
  await isLegible(maren)
  await maren.goToAssignments()
  await maren.card().locator('[data-test=edit-brief]').click()
  await expect(maren.at('task')).toHaveCount(3)
  await isLegible(maren)
  await maren.page.goBack()
  await maren.goToClass()
  await expect(maren.at('student')).toHaveCount(10)
  await isLegible(maren)
  if (WHOLE)
    await test.step('a lesson, a move that is shown, and a song', async () => {
      await maren.at('add-students').click()
      await expect(maren.at('add-dialog')).toBeVisible()
      await isLegible(maren)
      await maren.escape()
      await maren.at('lesson').click()
      await maren.at('in-lesson').first().click()
      await isLegible(maren)
      await maren.at('show-move').click()
      await maren.canPlay()
      await isSound(maren)
      await maren.page.goto(maren.page.url().replace(/lesson.*/, 'songs'))
      await maren.at('song').first().click()
      await maren.canPlay()
      await isLegible(maren)
    })
  await maren.open('review')
  await maren.at('show-figures').click()
  await expect(maren.at('figures').locator('tbody tr').first()).toBeVisible({ timeout: 60_000 })
  await isSound(maren)
  if (WHOLE)
    await test.step('its other sheets', async () => {
      await maren.at('edit-rubric').click()
      await expect(maren.at('rubric')).toBeVisible()
      await isLegible(maren)
      await maren.escape()
      await maren.listHandIns()
      await maren.at('compare').click()
      await expect(maren.at('crowd')).toBeVisible()
      await isLegible(maren)
      await maren.page.goto(maren.page.url().replace('/compare/', '/round/'))
      await expect(maren.at('round-row').first()).toBeVisible()
      await isSound(maren)
      await maren.page.goto(maren.page.url().replace('/round/', '/sheets/'))
      await expect(maren.at('paper').first()).toBeVisible()
      await isLegible(maren)
    })
})

whole(
  'the rooms of a term: on every screen nothing is wider than its sheet, and axe finds nothing',
  async ({ somebody, installation }) => {
    const maren = await somebody(STILL)
    const isRoomy = async (
      person: Person,
      screens: readonly { width: number; height: number }[] = SCREENS,
    ) => {
      for (const screen of screens) {
        await person.page.setViewportSize(screen)
        await stands(person.page)
        await fitsAcross(person)
      }
      await isLegible(person)
    }
    await maren.signIn('Maren Holt')
    await isRoomy(maren)
    await maren.at('groups').click()
    await expect(maren.at('term-row')).toHaveCount(10)
    await maren.at('term-row').first().locator('[data-test="choose"] input').check()
    await isRoomy(maren)
    await maren.at('open-assignment').first().click()
    await expect(maren.at('task-row')).toHaveCount(10)
    await isRoomy(maren)
    await maren.goToClass('marks')
    await expect(maren.at('marks-row')).toHaveCount(10)
    await isRoomy(maren)
    await maren.page.goto(`${installation.address}/class`)
    await maren.at('to-student').first().click()
    await expect(maren.at('way').first()).toBeVisible()
    await isRoomy(maren)
    await maren.page.goto(`${installation.address}/class`)
    await maren.at('to-projector').click()
    await expect(maren.at('projector-counts')).toBeVisible()
    await isRoomy(maren, [{ width: 1920, height: 1080 }, ...SCREENS])
    const ines = await somebody(STILL)
    await ines.signIn('Ines Varga')
    await ines.at('to-progress').click()
    await expect(ines.at('way').first()).toBeVisible()
    await isRoomy(ines)
  },
)

whole(
  'on a telephone what came back is read, heard and answered, and the desk says what it wants',
  async ({ somebody }) => {
    const ayla = await somebody({ ...STILL, viewport: { width: 390, height: 800 } })
    await ayla.atBench('Ayla Demir')
    await expect(ayla.page.getByText('Please try a new version')).toBeVisible()
    await expect(ayla.at('wants-room')).toBeVisible()
    await expect(ayla.at('line')).toHaveCount(0)
    await ayla.at('play').click()
    await expect(ayla.at('play')).toHaveAccessibleName('Stop')
    await ayla.at('play').click()
    await ayla.at('answer').first().click()
    await ayla.page.getByLabel('Reply').fill('I hear it now.')
    await ayla.page.getByLabel('Reply').press('Enter')
    await expect(ayla.page.getByText('I hear it now.')).toBeVisible()
    const wide = await ayla.page.evaluate(() => document.documentElement.scrollWidth - innerWidth)
    expect(wide).toBeLessThanOrEqual(0)
    await isLegible(ayla)
  },
)

test('the page asks for nothing from elsewhere, its policy is never broken, and the theme is kept', async ({
  somebody,
  installation,
}) => {
  const milan = await somebody()
  const asked: string[] = []
  milan.page.on('request', (r) => asked.push(r.url()))
  await milan.signIn('Milan Novotny')
  const paper = () => milan.page.evaluate(() => getComputedStyle(document.body).backgroundColor)
  const light = await paper()
  await milan.at('account').click()
  await milan.page.getByRole('radio', { name: 'Dark' }).click()
  await expect.poll(paper).not.toBe(light)
  await milan.page.reload()
  await expect.poll(paper).not.toBe(light)
  await milan.open('bench')
  expect(asked.filter((url) => !url.startsWith(installation.address) && !url.startsWith('data:'))).toEqual([])
  expect(await milan.page.evaluate(() => crossOriginIsolated)).toBe(true)
})
