import { mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { build } from 'esbuild'
import { ROOT } from '../scripts/lib/paths.mjs'

/** Bundles a TypeScript module of this folder for Node and imports it. */
export async function imported(name) {
  const folder = await mkdtemp(join(tmpdir(), 'rudlo-bench-'))
  const outfile = join(folder, 'bench.mjs')
  await build({
    entryPoints: [join(ROOT, 'bench', name)],
    outfile,
    bundle: true,
    format: 'esm',
    platform: 'node',
    logLevel: 'error',
  })
  const module = await import(pathToFileURL(outfile).href)
  await rm(folder, { recursive: true })
  return module
}
