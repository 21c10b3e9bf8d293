import { readFileSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { chromium } from 'playwright-core'
import { CHROMIUM } from '../scripts/lib/chromium.mjs'
import { Installation } from '../scripts/lib/installation.mjs'
import { WEB_DIST } from '../scripts/lib/paths.mjs'
import { entry } from './entry.mjs'
import { inTerm } from './term.mjs'

const ROUNDS = 3

/** Opening: the first page, and the bench until its lane is drawn and it can play. Fresh browsers, nothing cached. */
export async function desk() {
  const installation = await new Installation(true).start()
  const browser = await chromium.launch(CHROMIUM)
  try {
    const first = []
    const open = []
    for (let round = 0; round < ROUNDS; round++) {
      const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
      const page = await context.newPage()
      let start = performance.now()
      await page.goto(installation.address)
      await page.getByRole('button', { name: 'Ines Varga' }).waitFor()
      first.push((performance.now() - start) / 1000)
      await page.getByRole('button', { name: 'Ines Varga' }).click()
      const link = await inTerm(page, 'Make room for the tune')
      start = performance.now()
      await link.click()
      await page.locator('[data-test=play]:not([disabled])').waitFor()
      open.push((performance.now() - start) / 1000)
      await context.close()
    }
    return [
      entry('desk', 'first page until it can be used', Math.min(...first), 's', '< 0.8'),
      entry('desk', 'bench after sign-in until it plays, nothing cached', Math.min(...open), 's', '< 3'),
      entry('desk', 'script before sign-in, compressed', scriptBeforeSignIn(), 'kB', '< 200'),
    ]
  } finally {
    await browser.close()
    await installation.stop()
  }
}

/** Compressed size of every script that the page itself names. */
function scriptBeforeSignIn() {
  const page = readFileSync(join(WEB_DIST, 'index.html'), 'utf8')
  const named = readdirSync(join(WEB_DIST, 'assets')).filter(
    (name) => name.endsWith('.js') && page.includes(name),
  )
  return (
    named.reduce(
      (sum, name) => sum + gzipSync(readFileSync(join(WEB_DIST, 'assets', name)), { level: 9 }).length,
      0,
    ) / 1000
  )
}
