/** `npm run test:real`: music of two Debian packages through import, assignment and render. Takes a quarter of an hour. */
import { ROOT } from './lib/paths.mjs'
import { needDebian, needModules } from './lib/provision.mjs'
import { run } from './lib/run.mjs'

await needDebian('mariadb-server', 'ffmpeg', 'openttd-openmsx', 'wesnoth-1.16-music')
await needModules()
const names = process.argv.slice(2)
const { code } = await run(
  'npx',
  ['--no-install', 'vitest', 'run', '--project', 'real', ...(names.length ? ['-t', names.join('|')] : [])],
  { cwd: ROOT, show: true },
)
process.exitCode = code
