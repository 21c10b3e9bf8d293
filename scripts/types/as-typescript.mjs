/**
 * Components of Vue as TypeScript, by Vue's own language tools: what vue-tsc shows its compiler, written down, so that the
 * native compiler can check it in a third of the time.
 */
import { copyFileSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { dirname, join, relative } from 'node:path'
import {
  createParsedCommandLine,
  createVueLanguagePlugin,
  defaultMapperFactory,
  shouldReportDiagnostics,
} from '@vue/language-core'
import ts from 'typescript'

/** The tools ask for helpers by a path that is only right beside the component; the copy names them once, in its tsconfig. */
const HELPERS = /^\/\/\/ <reference types=.*\n/gm

/** A project's own tsconfig, without what it extends. */
const configOf = (project) => {
  const file = join(project, 'tsconfig.json')
  const { config, error } = ts.readConfigFile(file, ts.sys.readFile)
  if (error) throw new Error(`${file}: ${ts.flattenDiagnosticMessageText(error.messageText, ' ')}`)
  return config
}

/**
 * Writes a package's sources into another folder, each component as `Name.vue.ts`.
 * @param project folder of the package, with its tsconfig.json
 * @param to folder beside the package, which is made anew
 * @returns where a place in a written file comes from
 */
export function writeAsTypeScript(project, to) {
  const { include } = configOf(project)
  const { options, vueOptions } = createParsedCommandLine(ts, ts.sys, join(project, 'tsconfig.json'))
  const tools = createVueLanguagePlugin(ts, options, vueOptions, (id) => id)
  /** @type {Map<string, { component: string, text: string, code: string, mapper: import('@vue/language-core').Mapper }>} */
  const written = new Map()
  rmSync(to, { recursive: true, force: true })
  for (const file of include.flatMap((part) => filesOf(join(project, part)))) {
    const copy = join(to, relative(project, file))
    mkdirSync(dirname(copy), { recursive: true })
    if (!file.endsWith('.vue')) {
      copyFileSync(file, copy)
      continue
    }
    const text = readFileSync(file, 'utf8')
    const component = tools.createVirtualCode(file, 'vue', ts.ScriptSnapshot.fromString(text))
    const { code, extension } = tools.typescript.getServiceScript(component)
    const all = code.snapshot.getText(0, code.snapshot.getLength())
    // as long as it was, so that what was found is found at its place
    const shown = all.replace(HELPERS, (line) => `${'/'.repeat(line.length - 1)}\n`)
    writeFileSync(copy + extension, shown)
    written.set(copy + extension, {
      component: file,
      text,
      code: shown,
      mapper: defaultMapperFactory(code.mappings),
    })
  }
  const helpers = ['template-helpers.d.ts', 'props-fallback.d.ts'].map((f) => join(vueOptions.typesRoot, f))
  writeFileSync(
    join(to, 'tsconfig.json'),
    JSON.stringify({
      extends: relative(to, join(project, 'tsconfig.json')),
      include,
      files: helpers,
    }),
  )
  return {
    /**
     * @param place in a file that was written: line and column from 1
     * @param error the compiler's number for what is wrong
     * @returns the place in the sources; null for what the tools put in beside what was written, which nobody is told of
     */
    sourceOf({ file, line, column }, error) {
      const of = written.get(file)
      if (!of) return { file: join(project, relative(to, file)), line, column }
      const offset = offsetOf(of.code, line, column)
      for (const [at] of of.mapper.toSourceLocation(offset, (info) =>
        shouldReportDiagnostics(info, 'ts', error),
      ))
        return { file: of.component, ...placeOf(of.text, at) }
      return null
    },
  }
}

/** The files in a folder and all in it, or the one file that it is. */
function filesOf(part) {
  if (statSync(part).isFile()) return [part]
  return readdirSync(part, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .map((entry) => join(entry.parentPath, entry.name))
}

function offsetOf(text, line, column) {
  let start = 0
  for (let n = 1; n < line; n++) start = text.indexOf('\n', start) + 1
  return start + column - 1
}

function placeOf(text, offset) {
  const before = text.slice(0, offset).split('\n')
  return { line: before.length, column: before.at(-1).length + 1 }
}
