import { readFileSync } from 'node:fs'
import { createServer } from 'node:http'
import { join } from 'node:path'
import { build } from 'esbuild'
import { chromium } from 'playwright-core'
import { CHROMIUM } from '../scripts/lib/chromium.mjs'
import { ROOT } from '../scripts/lib/paths.mjs'
import { entry } from './entry.mjs'

const SECONDS = 60

/** The audio thread while it plays: how much of its time it needs, and whether anything is lost. */
export async function live() {
  const files = {
    '/': ['text/html', '<!doctype html><script src="/page.js"></script>'],
    '/page.js': ['text/javascript', await bundle('bench/live-page.ts')],
    '/worklet.js': ['text/javascript', await bundle('packages/web/src/engine/engine.worklet.ts')],
  }
  const server = createServer((request, response) => {
    const [type, text] = files[request.url] ?? ['text/plain', '']
    response.writeHead(files[request.url] ? 200 : 404, {
      'content-type': type,
      'cross-origin-opener-policy': 'same-origin',
      'cross-origin-embedder-policy': 'require-corp',
    })
    response.end(text)
  })
  await new Promise((resolve) => server.listen(0, '127.0.0.1', resolve))
  const browser = await chromium.launch(CHROMIUM)
  try {
    const page = await browser.newPage()
    await page.goto(`http://127.0.0.1:${server.address().port}/`)
    const large = await page.evaluate(`watchLarge(${SECONDS})`)
    const hopeless = await page.evaluate('watchHopeless(10)')
    return [
      entry(
        'live',
        '16 tracks, 6 returns, 40 lines for 60 s: time in the callback',
        large.load * 100,
        '%',
        '< 35',
      ),
      entry('live', 'the same: dropouts', large.played ? large.dropouts : NaN, '', '< 1'),
      entry(
        'live',
        '8 mono tracks of 3 minutes: memory for sound and loudness',
        await held(page.url()),
        'MiB',
        '< 250',
      ),
      entry('live', 'far too much on purpose, for 10 s: dropouts seen', hopeless.dropouts, '', '>= 1'),
    ]
  } finally {
    await browser.close()
    server.close()
  }
}

/** What a bench holds in memory, in MiB, beside an empty page: in a browser of its own, where nothing is left over. */
async function held(url) {
  const browser = await chromium.launch(CHROMIUM)
  try {
    const page = await browser.newPage()
    await page.goto(url)
    const empty = await renderersMiB(browser)
    await page.evaluate('holdBench()')
    return (await renderersMiB(browser)) - empty
  } finally {
    await browser.close()
  }
}

/** What all pages together have of the machine's memory, shared memory counted once. */
async function renderersMiB(browser) {
  const session = await browser.newBrowserCDPSession()
  const { processInfo } = await session.send('SystemInfo.getProcessInfo')
  await session.detach()
  const pss = (id) => Number(/^Pss:\s+(\d+)/m.exec(readFileSync(`/proc/${id}/smaps_rollup`, 'utf8'))[1])
  return processInfo.filter((p) => p.type === 'renderer').reduce((sum, p) => sum + pss(p.id), 0) / 1024
}

/** Bundles a file; the application's own way of naming its worklet is taken over. */
async function bundle(file) {
  const worklet = {
    name: 'worklet',
    setup(b) {
      b.onResolve({ filter: /\?worker&url$/ }, () => ({ path: 'worklet', namespace: 'worklet' }))
      b.onLoad({ filter: /.*/, namespace: 'worklet' }, () => ({ contents: 'export default "/worklet.js"' }))
    },
  }
  const { outputFiles } = await build({
    entryPoints: [join(ROOT, file)],
    bundle: true,
    write: false,
    format: 'iife',
    target: 'es2022',
    plugins: [worklet],
  })
  return outputFiles[0].text
}
