import { beforeAll, describe, expect, it } from 'vitest'
import { wrongTypesOf } from '../../test/small-project'

/** What the compiler says of pieces of the browser's code, each by itself. */
async function faultsOf(pieces: Readonly<Record<string, string>>): Promise<Map<string, string[]>> {
  const named = Object.entries(pieces).map(([name, code], i) => ({ name, file: `piece-${i}.ts`, code }))
  const wrong = await wrongTypesOf(
    Object.fromEntries(
      named.map(({ file, code }) => [file, `import { server, told } from '../../src/api/client'\n${code}`]),
    ),
  )
  return new Map(named.map(({ name, file }) => [name, wrong.filter((line) => line.includes(`${file}(`))]))
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
  beforeAll(async () => {
    const wrong = Object.entries(WRONG).map(([name, [code]]) => [name, code] as const)
    faults = await faultsOf({ right: RIGHT, ...Object.fromEntries(wrong) })
  })

  it('takes what the server takes', () => {
    expect(faults.get('right')).toEqual([])
  })

  it.each(Object.entries(WRONG))('refuses %s', (name, [, fault]) => {
    expect(faults.get(name)).toHaveLength(1)
    expect(faults.get(name)![0]).toMatch(fault)
  })
})
