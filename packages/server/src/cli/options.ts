import { parseArgs } from 'node:util'

/** What a verb was called with. */
export interface Called<Name extends string> {
  readonly values: Readonly<Partial<Record<Name, string>>>
  readonly positionals: readonly string[]
}

/**
 * Reads `--name value` options and the rest. `flags` take no value; one that is set reads as an empty text.
 * @throws RangeError with one sentence for an option that is not known or has no value
 */
export function readOptions<Name extends string>(
  args: readonly string[],
  names: readonly Name[],
  flags: readonly Name[] = [],
): Called<Name> {
  const options = Object.fromEntries([
    ...names.map((name) => [name, { type: 'string' }] as const),
    ...flags.map((name) => [name, { type: 'boolean' }] as const),
  ])
  try {
    const { values, positionals } = parseArgs({ args: [...args], options, allowPositionals: true })
    const read = Object.entries(values).map(([name, value]) => [name, value === true ? '' : value])
    return { values: Object.fromEntries(read) as Called<Name>['values'], positionals }
  } catch (error) {
    throw new RangeError((error as Error).message.split('. ')[0]! + '.')
  }
}
