/**
 * Before each file: a property that fails says so in the end, however long a smaller example of it is looked for. Runs that go on
 * with every change try fewer examples, others each time.
 */
import fc from 'fast-check'
import { WHOLE } from '../../../scripts/lib/whole.mjs'

fc.configureGlobal({
  numRuns: WHOLE ? 100 : 40,
  interruptAfterTimeLimit: 120_000,
  markInterruptAsFailure: true,
})
