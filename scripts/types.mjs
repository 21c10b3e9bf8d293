/** `npm run types`: the types of every package, by the compiler that is made for speed. */
import { readFileSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { ROOT } from './lib/paths.mjs'
import { run } from './lib/run.mjs'
import { shortLived } from './lib/short-lived.mjs'
import { compile } from './types/compile.mjs'

/** Folders with a tsconfig.json, or a tsconfig. */
export const PROJECTS = [
  'packages/core',
  'packages/words',
  'packages/sentences',
  'packages/contract',
  'packages/demo',
  'packages/server',
  // what the web knows of the server's routes
  'packages/server/tsconfig.api.json',
  'e2e',
  'packages/web',
]

/**
 * @param name a project, from the root on; one whose tsconfig has options for Vue has components
 * @returns what is wrong with its types, one line for each at its place in the sources; empty if all is well
 */
export async function wrongTypes(name) {
  const project = resolve(ROOT, name)
  if (!hasComponents(project)) return compile(project, (place) => place)
  // beside this one: writing components as TypeScript takes seconds in which nothing else would be begun
  const beside = [...shortLived(), join(ROOT, 'scripts/types/components.mjs'), project]
  const { code, output } = await run(process.execPath, beside, { cwd: ROOT })
  if (code === 0) return []
  const lines = output.split('\n').filter((line) => line.trim())
  return lines.length ? lines : [`looking at components ended with ${code}`]
}

/**
 * Whether a project has components: its own tsconfig has options for Vue then. Ours are plain JSON; the compiler's reader would take
 * a second to come up.
 */
function hasComponents(project) {
  const file = project.endsWith('.json') ? project : join(project, 'tsconfig.json')
  return JSON.parse(readFileSync(file, 'utf8')).vueCompilerOptions !== undefined
}

if (process.argv[1] && resolve(process.argv[1]) === import.meta.filename) {
  const { buildKernels } = await import('./kernels.mjs')
  await buildKernels()
  for (const project of PROJECTS) {
    const wrong = await wrongTypes(project)
    for (const line of wrong) process.stdout.write(`${line}\n`)
    if (wrong.length) process.exitCode = 1
  }
}
