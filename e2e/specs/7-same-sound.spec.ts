import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { runInNewContext } from 'node:vm'
import type { Browser } from '@playwright/test'
import { build } from 'esbuild'
import { ROOT } from '../../scripts/lib/paths.mjs'
import { expect, test, whole } from '../harness/test'

/** A file of the harness as one script that puts what it exports on the page. */
async function bundled(file: string, globalName: string): Promise<string> {
  const { outputFiles } = await build({
    entryPoints: [join(ROOT, `e2e/harness/${file}.ts`)],
    bundle: true,
    write: false,
    format: 'iife',
    globalName,
    target: 'es2022',
  })
  return outputFiles[0]!.text
}

test('the same mix renders to the same samples, bit for bit, in Node and in Chromium', async ({
  browser,
}) => {
  const script = await bundled('reference-render', 'reference')
  const inNode = runInNewContext(`${script}; reference.referenceHash()`) as string
  const page = await browser.newPage()
  await page.addScriptTag({ content: script })
  const inChromium = await page.evaluate<string>('reference.referenceHash()')
  await page.close()
  expect(inNode).toMatch(/^\d+:[0-9a-f]+:true$/)
  expect(inChromium).toBe(inNode)
})

/** Two channels of noise, loud, quiet and at both ends of the scale, the last tenth silent; and a FLAC file of them. */
function noise(frames: number): { flac: number[]; channels: number[][] } {
  const samples = Int16Array.from({ length: 2 * frames }, (_, n) => {
    const loud = ((n * 48_271) % 65_537) - 32_768
    return n > 1.8 * frames ? 0 : n % 3 ? Math.min(32_767, loud) : loud >> 9
  })
  const { stdout } = spawnSync(
    'ffmpeg',
    '-loglevel error -f s16le -ar 44100 -ac 2 -i - -f flac -'.split(' '),
    { input: samples },
  )
  const channels = [0, 1].map((c) => Array.from({ length: frames }, (_, n) => samples[n * 2 + c]!))
  return { flac: [...stdout], channels }
}

/** Runs something of the harness on a page of the application: memory that threads share is had there alone. */
async function decoded<T>(browser: Browser, address: string, call: string): Promise<T> {
  const page = await browser.newPage()
  await page.goto(address)
  const found = await page.evaluate<T>(`${await bundled('native-decode', 'native')}; native.${call}`)
  await page.close()
  return found
}

whole(
  'a recording comes out of the browser’s own decoder as it went in, to the last bit',
  async ({ browser, installation }) => {
    const { flac, channels } = noise(9000)
    const call = `recording(${JSON.stringify(flac)})`
    expect(await decoded(browser, installation.address, call)).toEqual(channels)
  },
)

whole(
  'of a recording that is cut off, what is said to be there is there to the last bit',
  async ({ browser, installation }) => {
    const { flac, channels } = noise(40_000)
    const half = flac.length >> 1
    const cuts = [0, 9, 5000, half, half + 1, half + 30_000, flac.length - 5000, flac.length - 1, flac.length]
    const call = `beginnings(${JSON.stringify(flac)}, ${JSON.stringify(cuts)}, 40000)`
    const had = await decoded<{ count: number; channels: number[][] }[]>(browser, installation.address, call)
    for (const { count, channels: found } of had)
      expect(found).toEqual(channels.map((c) => c.slice(0, count)))
    const counts = had.map(({ count }) => count)
    // nothing where there is no block, or where all seems to be there of what is cut off; and all where it is
    expect([counts[0], counts[1], ...counts.slice(-2)]).toEqual([0, 0, 0, 40_000])
    expect(counts[3]).toBeGreaterThan(4000)
    expect(counts[5]).toBeGreaterThan(counts[3]!)
    expect(counts[6]).toBeGreaterThan(counts[5]!)
  },
)
