import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { gzipSync } from 'node:zlib'
import { ROOT, SERVER_DIST, WEB_DIST } from './lib/paths.mjs'
import { buildKernels } from './kernels.mjs'
import { must } from './lib/run.mjs'
import { say } from './lib/say.mjs'

const SERVER_ENTRIES = {
  main: 'src/main.ts',
  rudlo: 'src/cli/main.ts',
  'measure-worker': 'src/jobs/measure-worker.ts',
  'mixdown-worker': 'src/jobs/mixdown-worker.ts',
  'decode-worker': 'src/jobs/decode-worker.ts',
  'flac-encoder-worker': 'src/songbook/flac-encoder-worker.ts',
  'import-worker': 'src/songbook/import-worker.ts',
  'notes-worker': 'src/songbook/notes/worker.ts',
  'song-worker': 'src/demo/song-worker.ts',
}

/** Threads that are started for a moment. */
const AT_ONCE = { 'stretch-worker': 'src/cli/stretch-worker.ts' }

/**
 * Packages that stay where they are installed: what is compiled for a machine, and what starts threads by files of its own.
 * Everything else goes into the bundle: who looks for a thousand files takes twice as long to start.
 */
const BESIDE = ['@node-rs/argon2', '@wasm-audio-decoders/flac', 'pino', 'piscina']

/** Builds whatever differs from what was built last. `web` off: the server alone. */
export async function build({ web = true } = {}) {
  await buildKernels()
  await stamped(
    'server',
    [
      'packages/words',
      'packages/core',
      'packages/sentences',
      'packages/contract',
      'packages/demo',
      'packages/server',
    ],
    SERVER_DIST,
    buildServer,
  )
  if (web)
    await stamped(
      'web',
      ['packages/words', 'packages/core', 'packages/sentences', 'packages/contract', 'packages/web'],
      WEB_DIST,
      buildWeb,
    )
}

async function buildServer() {
  const { build: esbuild } = await import('esbuild')
  rmSync(SERVER_DIST, { recursive: true, force: true })
  const common = {
    absWorkingDir: join(ROOT, 'packages/server'),
    outdir: SERVER_DIST,
    bundle: true,
    format: 'esm',
    platform: 'node',
    target: 'node20',
    sourcemap: true,
    logLevel: 'warning',
    external: BESIDE,
    // TypeORM and messages know classes by their names
    keepNames: true,
    // for packages of CommonJS, which ask for Node's own modules by it
    banner: {
      js: "import { createRequire as requireOf } from 'node:module'; const require = requireOf(import.meta.url);",
    },
  }
  // what is imported on demand lies in a file of its own, and what several entries share in one of theirs
  await esbuild({ ...common, entryPoints: SERVER_ENTRIES, splitting: true })
  // what has to be there at once lies in one file, with nothing that it does not need
  await esbuild({ ...common, entryPoints: AT_ONCE })
}

async function buildWeb() {
  await must(process.execPath, [join(ROOT, 'node_modules/vite/bin/vite.js'), 'build', '--logLevel', 'warn'], {
    cwd: join(ROOT, 'packages/web'),
    // whoever builds: a test that starts the application is in an environment of tests, where no file is listed for work offline
    env: { NODE_ENV: 'production' },
  })
  checkKept()
  packFiles(join(WEB_DIST, 'assets'))
}

/** @throws Error where the service worker does not keep what the page begins with: nothing would open without the server */
function checkKept() {
  const read = (name) => readFileSync(join(WEB_DIST, name), 'utf8')
  const [, first] = read('index.html').match(/<script[^>]* src="\/(assets\/[^"]+)"/)
  if (!read('service-worker.js').includes(first))
    throw new Error(`The service worker does not keep ${first}.`)
}

/** Files that get smaller lie packed beside themselves: the server sends those to browsers that can unpack. */
function packFiles(folder) {
  for (const name of readdirSync(folder))
    if (/\.(js|css|svg|wasm|json)$/.test(name))
      writeFileSync(join(folder, `${name}.gz`), gzipSync(readFileSync(join(folder, name)), { level: 9 }))
}

/** Runs `make` unless the sources are those of the last time. */
async function stamped(name, folders, dist, make) {
  const stamp = join(ROOT, '.build', name)
  const hash = hashOf([...folders, 'package-lock.json', 'scripts/build.mjs'])
  if (existsSync(dist) && existsSync(stamp) && readFileSync(stamp, 'utf8') === hash) return
  say(`building ${name} …`)
  await make()
  mkdirSync(join(ROOT, '.build'), { recursive: true })
  writeFileSync(stamp, hash)
}

/** Folders that are no sources of a build: what is installed, what is made, and tests. */
const NO_SOURCES = ['node_modules', 'dist', 'types', 'test']

function hashOf(paths) {
  const hash = createHash('sha256')
  const add = (path) => {
    const full = join(ROOT, path)
    if (statSync(full).isDirectory()) {
      for (const name of readdirSync(full).sort()) {
        if (!NO_SOURCES.includes(name) && !name.endsWith('.test.ts')) add(join(path, name))
      }
    } else hash.update(path).update(readFileSync(full))
  }
  paths.forEach(add)
  return hash.digest('hex')
}

if (process.argv[1] && import.meta.url === pathToFileURL(process.argv[1]).href) await build()
