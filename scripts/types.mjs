/** `npm run types`: the types of every package, by the compiler that is made for speed. */
import { rmSync } from 'node:fs'
import { basename, dirname, join, relative, resolve } from 'node:path'
import { ROOT } from './lib/paths.mjs'
import { run } from './lib/run.mjs'
import { hasComponents, writeAsTypeScript } from './types/as-typescript.mjs'

const COMPILER = join(ROOT, 'node_modules/typescript-native/bin/tsc')
/** How the compiler says what is wrong: file, line, column, what. */
const WRONG = /^(.+?)\((\d+),(\d+)\): error TS(\d+): /

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
  // beside it, so that what is imported from outside is as far away
  const copy = join(dirname(project), `.${basename(project)}-checked`)
  try {
    const { sourceOf } = writeAsTypeScript(project, copy)
    return await compile(copy, sourceOf)
  } finally {
    rmSync(copy, { recursive: true, force: true })
  }
}

/**
 * One thread a project: several check what they share several times over, which takes twice the work, and `npm test` has something
 * else for the other core.
 */
const HOW = ['--pretty', 'false', '--singleThreaded']

/** Compiles a project and says what is wrong where `sourceOf` knows a place for it. */
async function compile(project, sourceOf) {
  const { code, output } = await run(process.execPath, [COMPILER, '-p', project, ...HOW], { cwd: ROOT })
  const lines = output.split('\n').filter((line) => line.trim())
  const told = lines.flatMap((line) => {
    // whatever belongs to the line above is told with it by an editor
    if (line.startsWith(' ')) return []
    const [all, file, row, column, error] = line.match(WRONG) ?? []
    if (!all) return [line]
    const place = sourceOf({ file: resolve(ROOT, file), line: Number(row), column: Number(column) }, error)
    return place
      ? [
          `${relative(ROOT, place.file)}(${place.line},${place.column}): error TS${error}: ${line.slice(all.length)}`,
        ]
      : []
  })
  return code !== 0 && !lines.length ? [`the compiler ended with ${code} and said nothing`] : told
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
