/**
 * `npm test`: style, layers, types, the contract, units, components, server and stories. Says how long each took, and ends with
 * `N passed, N failed`.
 */
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { ROOT } from './lib/paths.mjs'
import { needDebian, needModules } from './lib/provision.mjs'
import { failedStories, failedTests } from './lib/results.mjs'
import { runScript, runTool } from './lib/run.mjs'
import { say } from './lib/say.mjs'
import { Tally } from './lib/tally.mjs'

const RESULTS = join(ROOT, 'test-results')
const tally = new Tally()

/** Counts a command as one test. @returns whether it passed */
async function check(suite, name, command) {
  const { code } = await tally.timed(suite, command)
  tally.add(suite, { passed: code === 0 ? 1 : 0, failed: code === 0 ? 0 : 1 })
  if (code !== 0) tally.failure(suite, name)
  return code === 0
}

/** Runs a suite that writes down what it found; one that wrote nothing has failed as a whole. */
async function suite(name, file, counts, failures, ...args) {
  say(`${name} …`)
  const result = join(RESULTS, file)
  await tally.timed(name, () => runTool(...args))
  const found = existsSync(result) ? JSON.parse(readFileSync(result, 'utf8')) : undefined
  tally.add(name, found ? counts(found) : { failed: 1 })
  if (!found) tally.failure(name, 'the suite as a whole')
  else for (const [what, why] of failures(found)) tally.failure(name, what, why)
}

const vitest = (name, projects, ...more) =>
  suite(
    name,
    `${name}.json`,
    (r) => ({
      passed: r.numPassedTests,
      failed: r.numFailedTests + (r.numFailedTests ? 0 : r.numFailedTestSuites),
      skipped: r.numPendingTests + (r.numTodoTests ?? 0),
    }),
    failedTests,
    'vitest',
    'run',
    ...projects.flatMap((p) => ['--project', p]),
    ...more,
    '--reporter=default',
    `--reporter=${join(ROOT, 'scripts/lib/vitest-results.mjs')}`,
    `--outputFile.json=${join(RESULTS, `${name}.json`)}`,
  )

const stories = async (name, project) => {
  process.env.RUDLO_RESULTS = `${name}.json`
  await suite(
    name,
    `${name}.json`,
    ({ stats, errors }) => ({
      passed: stats.expected,
      failed: stats.unexpected + errors.length,
      skipped: stats.skipped,
      again: stats.flaky,
    }),
    failedStories,
    'playwright',
    'test',
    '-c',
    'e2e',
    '--project',
    project,
  )
}

await needDebian('mariadb-server', 'chromium-headless-shell', 'ffmpeg')
await needModules()
rmSync(RESULTS, { recursive: true, force: true })
mkdirSync(RESULTS, { recursive: true })
const { build } = await import('./build.mjs')
const { buildKernels } = await import('./kernels.mjs')
const { PROJECTS, wrongTypes } = await import('./types.mjs')
await buildKernels()

say('building; style, layers and types …')
/** The installation that stories begin with: made while other things are looked at, since it is mostly waited for. */
let seeding
// two at a time, one for each core
await Promise.all([
  (async () => {
    await tally.timed('build', () => build())
    // those of an earlier run are none of this one
    if (await check('build', 'tests of components', () => runScript('scripts/component-tests.mjs')))
      process.env.RUDLO_FEW_FILES = '1'
    const { seededFolder } = await import('./lib/seed.mjs')
    // whoever needs it asks again, and is told why there is none
    seeding = seededFolder().catch(() => undefined)
    await check('style', 'linting', () => runTool('oxlint'))
    await check('style', 'linting components', () => runTool('eslint', '**/*.vue'))
    await check('style', 'looking at the format', () => runTool('oxfmt', '--list-different', '.'))
    await check('style', 'looking at the layers', () =>
      runTool('depcruise', '--output-type', 'err', ...LAYERS()),
    )
  })(),
  (async () => {
    for (const project of PROJECTS) {
      const wrong = await tally.timed('types', () => wrongTypes(project))
      tally.add('types', { passed: wrong.length ? 0 : 1, failed: wrong.length ? 1 : 0 })
      if (wrong.length) tally.failure('types', `types of ${project}`, wrong.join('\n'))
    }
    await check('types', 'looking at the contract', () =>
      runScript('scripts/contract.mjs', '--check', '--declared'),
    )
  })(),
])

// one after the other: each keeps two cores busy by itself, and both at once take them from each other
await vitest('components', ['mouse', 'finger', 'keys'], '--maxWorkers=3')
// a third worker goes on while others wait for processes that are started and ended
await vitest('units', ['core', 'web', 'server'], '--maxWorkers=3')
await seeding
await stories('stories', 'stories')
await stories('sound', 'sound')

process.stdout.write(`\n${tally.report()}\n`)
process.exitCode = tally.failed ? 1 : 0

function LAYERS() {
  return ['words', 'core', 'sentences', 'contract', 'demo', 'server', 'web'].map((p) => `packages/${p}/src`)
}
