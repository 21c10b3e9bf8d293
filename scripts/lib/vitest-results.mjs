/**
 * The JSON report of Vitest, with the reason of what failed. A press that finds no button or two of them fails in the browser's
 * driver: its message is there, but the stack, which alone is written down, was taken before and begins with another.
 */
import { JsonReporter } from 'vitest/node'

export default class extends JsonReporter {
  /** @param {import('vitest/node').TestCase} test one that has ended */
  onTestCaseResult(test) {
    for (const error of test.result().errors ?? [])
      if (error.stack && !error.stack.includes(error.message))
        error.stack = `${error.message}\n${error.stack}`
  }
}
