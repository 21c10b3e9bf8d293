/** The command line: `npm run -s rudlo -- VERB …`. Each verb is one module; what it prints goes to standard output. */
import { measure } from './measure'

const VERBS: Readonly<Record<string, (args: readonly string[]) => Promise<string>>> = { measure }

const [verb = '', ...args] = process.argv.slice(2)
try {
  const run = VERBS[verb]
  if (!run) throw new RangeError(`There is no "${verb}". The verbs are: ${Object.keys(VERBS).join(', ')}.`)
  process.stdout.write((await run(args)) + '\n')
} catch (error) {
  process.stderr.write(`rudlo: ${(error as Error).message}\n`)
  process.exitCode = 1
}
