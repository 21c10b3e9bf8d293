/** What the reports of Vitest and of Playwright say of what failed. */
import { relative } from 'node:path'
import { stripVTControlCharacters } from 'node:util'
import { ROOT } from './paths.mjs'

/** The first lines of a message, without the colours of a terminal. */
const shortly = (why = '') =>
  stripVTControlCharacters(why)
    .split('\n')
    .filter((line) => line.trim())
    .slice(0, 3)
    .join(' | ')
    .slice(0, 400)

/**
 * Names and reasons of what failed in a run of Vitest: of tests, and of files that could not be run at all.
 * @returns {[name: string, why: string][]}
 */
export const failedTests = ({ testResults }) =>
  testResults.flatMap(({ name, status, message, assertionResults }) => {
    const tests = assertionResults.filter((a) => a.status === 'failed')
    const file = relative(ROOT, name)
    if (!tests.length) return status === 'failed' ? [[file, shortly(message)]] : []
    return tests.map((a) => [`${file} › ${a.fullName}`, shortly(a.failureMessages?.[0])])
  })

/**
 * Stories of a run of Playwright that failed, or passed at a second try only.
 * @returns {[name: string, why: string][]}
 */
export function failedStories({ suites, errors }) {
  const inside = (suite) => [...(suite.specs ?? []), ...(suite.suites ?? []).flatMap(inside)]
  const again = suites
    .flatMap(inside)
    .flatMap((spec) =>
      spec.tests
        .filter(({ status }) => status === 'unexpected' || status === 'flaky')
        .map(({ status, results }) => [
          `${spec.file} › ${spec.title}${status === 'flaky' ? ' (second try)' : ''}`,
          shortly(results.find((r) => r.error)?.error.message),
        ]),
    )
  return [...again, ...errors.map((e) => ['stories', shortly(e.message)])]
}
