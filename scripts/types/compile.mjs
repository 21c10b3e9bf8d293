import { join, relative, resolve } from 'node:path'
import { ROOT } from '../lib/paths.mjs'
import { run } from '../lib/run.mjs'

const COMPILER = join(ROOT, 'node_modules/typescript-native/bin/tsc')
/** How the compiler says what is wrong: file, line, column, what. */
const WRONG = /^(.+?)\((\d+),(\d+)\): error TS(\d+): /

/**
 * One thread a project: several check what they share several times over, which takes twice the work, and `npm test` has something
 * else for the other core.
 */
const HOW = ['--pretty', 'false', '--singleThreaded']

/**
 * Compiles a project and says what is wrong where `sourceOf` knows a place for it.
 * @param project folder with a tsconfig.json, or a tsconfig
 * @returns one line for each mistake; empty if all is well
 */
export async function compile(project, sourceOf) {
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
