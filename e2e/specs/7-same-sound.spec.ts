import { join } from 'node:path'
import { runInNewContext } from 'node:vm'
import { build } from 'esbuild'
import { ROOT } from '../../scripts/lib/paths.mjs'
import { expect, test } from '../harness/test'

test('the same mix renders to the same samples, bit for bit, in Node and in Chromium', async ({
  browser,
}) => {
  const { outputFiles } = await build({
    entryPoints: [join(ROOT, 'e2e/harness/reference-render.ts')],
    bundle: true,
    write: false,
    format: 'iife',
    globalName: 'reference',
    target: 'es2022',
  })
  const script = outputFiles[0]!.text
  const inNode = runInNewContext(`${script}; reference.referenceHash()`) as string
  const page = await browser.newPage()
  await page.addScriptTag({ content: script })
  const inChromium = await page.evaluate<string>('reference.referenceHash()')
  await page.close()
  expect(inNode).toMatch(/^\d+:[0-9a-f]+:true$/)
  expect(inChromium).toBe(inNode)
})
