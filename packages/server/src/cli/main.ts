/** The command line: `npm run -s rudlo -- VERB …`. Each verb is one module; what it prints goes to standard output. */
import { bundle } from './bundle'
import { measure } from './measure'
import { render } from './render'

const VERBS: Readonly<Record<string, (args: readonly string[]) => Promise<string>>> = {
  measure,
  render,
  bundle,
}

const [verb = '', ...args] = process.argv.slice(2)
try {
  const run = Object.hasOwn(VERBS, verb) ? VERBS[verb] : undefined
  if (!run) throw new RangeError(`There is no "${verb}". The verbs are: ${Object.keys(VERBS).join(', ')}.`)
  process.stdout.write((await run(args)) + '\n')
} catch (error) {
  process.stderr.write(`rudlo: ${(error as Error).message}\n`)
  process.exitCode = 1
}
