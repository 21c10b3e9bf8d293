/** A process of its own, which says what is wrong with the types of a project that has components: one line for each. */
import { rmSync } from 'node:fs'
import { basename, dirname, join } from 'node:path'
import { writeAsTypeScript } from './as-typescript.mjs'
import { compile } from './compile.mjs'

const project = process.argv[2]
// beside it, so that what is imported from outside is as far away
const copy = join(dirname(project), `.${basename(project)}-checked`)
try {
  const { sourceOf } = writeAsTypeScript(project, copy)
  for (const line of await compile(copy, sourceOf)) process.stdout.write(`${line}\n`)
} finally {
  rmSync(copy, { recursive: true, force: true })
}
