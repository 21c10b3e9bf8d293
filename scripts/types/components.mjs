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
  const wrong = await compile(copy, sourceOf)
  for (const line of wrong) process.stdout.write(`${line}\n`)
  if (wrong.length) process.exitCode = 1
} finally {
  rmSync(copy, { recursive: true, force: true })
}
