import { readFileSync } from 'node:fs'
import { mkdir, mkdtemp, rm } from 'node:fs/promises'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { build } from 'esbuild'
import { ROOT } from '../scripts/lib/paths.mjs'

/** The packages of the server: they are taken as they are installed. */
const installed = () =>
  Object.keys(
    JSON.parse(readFileSync(join(ROOT, 'packages/server/package.json'), 'utf8')).dependencies,
  ).filter((name) => !name.startsWith('@rudlo/'))

/** Bundles a TypeScript module of this folder for Node and imports it. */
export async function imported(name) {
  await mkdir(join(ROOT, '.build'), { recursive: true })
  const folder = await mkdtemp(join(ROOT, '.build', 'bench-'))
  const outfile = join(folder, 'bench.mjs')
  await build({
    entryPoints: [join(ROOT, 'bench', name)],
    outfile,
    bundle: true,
    format: 'esm',
    platform: 'node',
    logLevel: 'error',
    external: installed(),
  })
  const module = await import(pathToFileURL(outfile).href)
  await rm(folder, { recursive: true })
  return module
}
