import { chromium } from 'playwright-core'
import { CHROMIUM } from '../scripts/lib/chromium.mjs'
import { Installation } from '../scripts/lib/installation.mjs'
import { seededFolder } from '../scripts/lib/seed.mjs'
import { entry } from './entry.mjs'

const STUDENT = 'Ayla Demir'
const ROUNDS = 5

/** Milliseconds from a click on an assignment until its desk is drawn, and until it sounds where play is pressed at once. */
const openAndPlay = (page) =>
  page.evaluate(async () => {
    const frame = () => new Promise(requestAnimationFrame)
    const link = document.querySelector('main a[href^="/bench/"]')
    const start = performance.now()
    link.click()
    let play = null
    while (!(play = document.querySelector('[data-test=play]'))) await frame()
    const drawn = performance.now() - start
    play.click()
    const clock = () =>
      /\d:\d\d\.\d/.exec(document.querySelector('.transport')?.textContent ?? '')?.[0] ?? '0:00.0'
    // the clock moves with the first sound that the audio thread has made
    while (clock() === '0:00.0') await frame()
    return { drawn, sounding: performance.now() - start }
  })

/** Kilobytes of scripts that a page has fetched. */
const scripts = (page) =>
  page.evaluate(
    () =>
      performance
        .getEntriesByType('resource')
        .filter(({ name }) => name.endsWith('.js'))
        .reduce((sum, { encodedBodySize }) => sum + encodedBodySize, 0) / 1024,
  )

/** From a click on an assignment to its first sound, each time with a browser that has nothing. */
export async function openSound() {
  // its hand-ins are measured: nothing but this is under way
  const installation = await new Installation(true, { from: await seededFolder() }).start()
  const browser = await chromium.launch(CHROMIUM)
  try {
    const rounds = []
    for (let i = 0; i < ROUNDS; i++) {
      const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
      await context.addInitScript(() =>
        localStorage.setItem('rudlo-listening', JSON.stringify({ delay: 0, checked: true })),
      )
      const page = await context.newPage()
      await page.goto(installation.address)
      await page.getByRole('button', { name: STUDENT, exact: true }).click()
      await page.locator('main a[href^="/bench/"]').first().waitFor()
      const weight = await scripts(page)
      rounds.push({ weight, ...(await openAndPlay(page)) })
      await context.close()
    }
    const median = (of) => rounds.map(of).sort((a, b) => a - b)[ROUNDS >> 1]
    return [
      entry(
        'open',
        'an assignment is drawn after the click, nothing cached',
        median((r) => r.drawn) / 1000,
        's',
        '< 0.5',
      ),
      entry('open', 'and sounds, with play pressed at once', median((r) => r.sounding) / 1000, 's', '< 1.0'),
      entry(
        'open',
        'scripts of a student’s first page',
        median((r) => r.weight),
        'KB',
        '< 400',
      ),
    ]
  } finally {
    await browser.close()
    await installation.stop()
  }
}
