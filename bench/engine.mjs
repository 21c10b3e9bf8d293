import { join } from 'node:path'
import { build } from 'esbuild'
import { chromium } from 'playwright-core'
import { CHROMIUM } from '../scripts/lib/chromium.mjs'
import { ROOT } from '../scripts/lib/paths.mjs'
import { entry } from './entry.mjs'

const ADDRESS = 'http://localhost:1'
const ISOLATED = {
  'cross-origin-opener-policy': 'same-origin',
  'cross-origin-embedder-policy': 'require-corp',
}

/** A script of this folder with all that it needs. */
async function bundled(name) {
  const { outputFiles } = await build({
    entryPoints: [join(ROOT, `bench/${name}.ts`)],
    bundle: true,
    write: false,
    format: 'iife',
    target: 'es2022',
  })
  return { name, text: outputFiles[0].text }
}

/** Offline render against the browser's own offline audio graph, interleaved in one Chromium run, best of five. */
export async function engine() {
  const scripts = await Promise.all(['engine-page', 'engine-thread'].map(bundled))
  const browser = await chromium.launch(CHROMIUM)
  try {
    const page = await browser.newPage()
    // threads share memory on a page that nobody else looks into
    await page.route(`${ADDRESS}/**`, (route) => {
      const script = scripts.find(({ name }) => route.request().url() === `${ADDRESS}/${name}.js`)
      return route.fulfill({
        body: script?.text ?? '<!doctype html><script src="/engine-page.js"></script>',
        contentType: script ? 'text/javascript' : 'text/html',
        headers: ISOLATED,
      })
    })
    await page.goto(`${ADDRESS}/`)
    const best = (times) => Math.min(...times)
    const plain = await page.evaluate("compareEngines('plain', 5)")
    const reference = await page.evaluate("compareEngines('reference', 5)")
    const two = await page.evaluate("compareEngines('reference', 5, 2)")
    const steps = await page.evaluate('instantStep(180)')
    const against = (name, { ours, theirs }, goal) =>
      entry(
        'engine',
        `${name}: speed against the browser’s own graph`,
        best(theirs) / best(ours),
        'times',
        goal,
      )
    return [
      against('gains and pans', plain, '>= 1'),
      against('reference job, by one thread', reference, '>= 10'),
      against('reference job, by two', two, '>= 20'),
      entry('engine', 'reference job: speed against real time', 90 / best(reference.ours), 'times', ''),
      entry(
        'engine',
        'instant loudness, 12 tracks and 4 minutes: a drag step',
        steps[Math.floor(steps.length / 2)],
        'ms',
        '< 3',
      ),
    ]
  } finally {
    await browser.close()
  }
}
