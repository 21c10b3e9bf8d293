import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { runInNewContext } from 'node:vm'
import { build } from 'esbuild'
import { ROOT } from '../../scripts/lib/paths.mjs'
import { expect, test } from '../harness/test'

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

test('a recording comes out of the browser’s own decoder as it went in, to the last bit', async ({
  browser,
  installation,
}) => {
  // loud, quiet, at both ends of the scale, and a last frame of silence
  const samples = Int16Array.from({ length: 2 * 9000 }, (_, n) => {
    const noise = ((n * 48_271) % 65_537) - 32_768
    return n > 2 * 8200 ? 0 : n % 3 ? Math.min(32_767, noise) : noise >> 9
  })
  const { stdout: flac } = spawnSync(
    'ffmpeg',
    '-loglevel error -f s16le -ar 44100 -ac 2 -i - -f flac -'.split(' '),
    { input: samples },
  )
  const page = await browser.newPage()
  // memory that threads share is had on pages of the application alone
  await page.goto(installation.address)
  const script = await bundled('native-decode', 'native')
  const heard = await page.evaluate<number[][] | null>(
    `${script}; native.recording(${JSON.stringify([...flac])})`,
  )
  await page.close()
  expect(heard?.map((c) => c.length)).toEqual([9000, 9000])
  expect(heard).toEqual([0, 1].map((c) => Array.from({ length: 9000 }, (_, n) => samples[n * 2 + c])))
})
