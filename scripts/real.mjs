/** `npm run test:real`: music of two Debian packages through import, assignment and render. Takes a quarter of an hour. */
import { needDebian, needModules } from './lib/provision.mjs'
import { runTool } from './lib/run.mjs'

await needDebian('mariadb-server', 'ffmpeg', 'openttd-openmsx', 'wesnoth-1.16-music')
await needModules()
const names = process.argv.slice(2)
const only = names.length ? ['-t', names.join('|')] : []
const { code } = await runTool('vitest', 'run', '--project', 'real', ...only)
process.exitCode = code
