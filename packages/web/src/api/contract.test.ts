import ts from 'typescript'
import { beforeAll, describe, expect, it } from 'vitest'
import { fileURLToPath } from 'node:url'

const here = fileURLToPath(new URL('./', import.meta.url))

/** What the compiler says of pieces of the browser's code, each by itself: one program looks at all of them. */
function faultsOf(pieces: Readonly<Record<string, string>>): Map<string, string[]> {
  const { config } = ts.readConfigFile(`${here}../../tsconfig.json`, (path) => ts.sys.readFile(path))
  const { options } = ts.parseJsonConfigFileContent(config, ts.sys, `${here}../..`)
  const files = new Map(
    Object.entries(pieces).map(([name, code], i) => [
      `${here}written-by-the-test-${i}.ts`,
      { name, source: `import { server, told } from './client'\n${code}` },
    ]),
  )
  const host = ts.createCompilerHost({ ...options, noEmit: true })
  const { getSourceFile, fileExists, readFile } = host
  host.fileExists = (file) => files.has(file) || fileExists(file)
  host.readFile = (file) => files.get(file)?.source ?? readFile(file)
  host.getSourceFile = (file, ...rest) => {
    const own = files.get(file)
    return own ? ts.createSourceFile(file, own.source, ts.ScriptTarget.ES2022) : getSourceFile(file, ...rest)
  }
  const program = ts.createProgram([...files.keys()], { ...options, noEmit: true }, host)
  return new Map(
    [...files].map(([file, { name }]) => [
      name,
      ts
        .getPreEmitDiagnostics(program, program.getSourceFile(file))
        .map((d) => ts.flattenDiagnosticMessageText(d.messageText, ' ')),
    ]),
  )
}

const RIGHT = `
  const made: Promise<{ readonly id: string }> = told(server.groups.$post({ json: { name: 'A', place: '' } }))
  export default made`
const WRONG = {
  'a body without what it must have': ["told(server.groups.$post({ json: { name: 'A' } }))", /place/],
  'a body of another kind': ["told(server.groups.$post({ json: { name: 1, place: '' } }))", /string/],
  'a route that is not there': ['told(server.grups.$get())', /grups/],
  'a method that it does not have': ['told(server.sessions.$post())', /\$post/],
  'a parameter of another name': ["told(server.works[':work'].$get({ param: { id: 'w' } }))", /\bwork\b/],
  'an answer taken for another': [
    'const n: Promise<number> = told(server.groups.$get())\nexport default n',
    /number/,
  ],
} as const

describe('the contract is in the types', () => {
  let faults: Map<string, string[]>
  beforeAll(() => {
    const wrong = Object.entries(WRONG).map(([name, [code]]) => [name, code] as const)
    faults = faultsOf({ right: RIGHT, ...Object.fromEntries(wrong) })
  })

  it('takes what the server takes', () => {
    expect(faults.get('right')).toEqual([])
  })

  it.each(Object.entries(WRONG))('refuses %s', (name, [, fault]) => {
    expect(faults.get(name)).toHaveLength(1)
    expect(faults.get(name)![0]).toMatch(fault)
  })
})
