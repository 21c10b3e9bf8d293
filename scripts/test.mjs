/** `npm test`: style, types, unit and server tests, end-to-end tests. Ends with `N passed, N failed`. */
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { ROOT } from './lib/paths.mjs'
import { needDebian, needModules } from './lib/provision.mjs'
import { run } from './lib/run.mjs'
import { say } from './lib/say.mjs'

const RESULTS = join(ROOT, 'test-results')
const npx = (...args) => run('npx', ['--no-install', ...args], { cwd: ROOT, show: true })

let passed = 0
let failed = 0

/** Counts a command as one test: it passes or it fails. */
async function check(name, ...args) {
  say(`${name} …`)
  const { code } = await npx(...args)
  if (code === 0) passed++
  else failed++
}

/** Adds what a runner wrote down; a runner that wrote nothing has failed as a whole. */
function add(name, file, counts) {
  if (!existsSync(file)) {
    say(`${name} wrote no result`)
    failed++
    return
  }
  const [good, bad] = counts(JSON.parse(readFileSync(file, 'utf8')))
  passed += good
  failed += bad
}

await needDebian('mariadb-server', 'chromium', 'ffmpeg')
await needModules()
rmSync(RESULTS, { recursive: true, force: true })
mkdirSync(RESULTS, { recursive: true })
const { build } = await import('./build.mjs')
await build()

await check('linting', 'eslint', '.')
await check('looking at the format', 'prettier', '--check', '--log-level', 'warn', '.')
for (const part of ['packages/core', 'packages/demo', 'packages/server', 'e2e'])
  await check(`types of ${part}`, 'tsc', '-p', part)
await check('types of packages/web', 'vue-tsc', '-p', 'packages/web')

say('unit and server tests …')
const vitest = join(RESULTS, 'vitest.json')
await npx('vitest', 'run', '--reporter=default', '--reporter=json', `--outputFile.json=${vitest}`)
add('vitest', vitest, (r) => [
  r.numPassedTests,
  r.numTotalTests -
    r.numPassedTests -
    r.numPendingTests +
    r.numFailedTestSuites * Number(r.numFailedTests === 0),
])

say('end-to-end tests …')
await npx('playwright', 'test', '-c', 'e2e')
add('playwright', join(RESULTS, 'e2e.json'), ({ stats, errors }) => {
  if (stats.flaky) say(`${stats.flaky} of the end-to-end tests passed only at the second try`)
  return [stats.expected + stats.flaky, stats.unexpected + stats.skipped + errors.length]
})

process.stdout.write(`\n${passed} passed, ${failed} failed\n`)
process.exitCode = failed ? 1 : 0
