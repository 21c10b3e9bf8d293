import { join } from 'node:path'
import { build } from 'esbuild'
import { chromium } from 'playwright-core'
import { CHROMIUM } from '../scripts/lib/chromium.mjs'
import { ROOT } from '../scripts/lib/paths.mjs'
import { entry } from './entry.mjs'

/** Offline render against the browser's own offline audio graph, interleaved in one Chromium run, best of five. */
export async function engine() {
  const { outputFiles } = await build({
    entryPoints: [join(ROOT, 'bench/engine-page.ts')],
    bundle: true,
    write: false,
    format: 'iife',
    target: 'es2022',
  })
  const browser = await chromium.launch(CHROMIUM)
  try {
    const page = await browser.newPage()
    await page.addScriptTag({ content: outputFiles[0].text })
    const best = (times) => Math.min(...times)
    const plain = await page.evaluate("compareEngines('plain', 5)")
    const reference = await page.evaluate("compareEngines('reference', 5)")
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
      against('reference job', reference, '>= 10'),
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
