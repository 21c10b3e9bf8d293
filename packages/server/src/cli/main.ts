/** The command line: `npm run -s rudlo -- VERB …`. Each verb is one module; what it prints goes to standard output. */

/** What a verb does: takes its arguments, gives what is printed. */
type Verb = (args: readonly string[]) => Promise<string>

/** Each is loaded when it is asked for: measuring a file needs no database. */
const VERBS: Readonly<Record<string, () => Promise<Verb>>> = {
  measure: async () => (await import('./measure')).measure,
  render: async () => (await import('./render')).render,
  bundle: async () => (await import('./bundle')).bundle,
  'load-backup': async () => (await import('./load-backup')).loadBackupFile,
}

const [verb = '', ...args] = process.argv.slice(2)
try {
  const load = Object.hasOwn(VERBS, verb) ? VERBS[verb] : undefined
  if (!load) throw new RangeError(`There is no "${verb}". The verbs are: ${Object.keys(VERBS).join(', ')}.`)
  const run = await load()
  const said = await run(args)
  if (said) process.stdout.write(said + '\n')
} catch (error) {
  process.stderr.write(`rudlo: ${(error as Error).message}\n`)
  process.exitCode = 1
}

export {}
