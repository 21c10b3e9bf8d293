/** `npm run test:e2e -- NAME`: the stories whose file or name has NAME in it; all of them without. None is left to another run. */
import { needDebian, needModules } from './lib/provision.mjs'
import { runTool } from './lib/run.mjs'

await needDebian('mariadb-server', 'chromium-headless-shell', 'ffmpeg')
await needModules()
await (await import('./build.mjs')).build()
process.env.RUDLO_EVERY = '1'
const names = process.argv.slice(2)
const only = names.length ? ['--grep', names.join('|')] : []
const { code } = await runTool('playwright', 'test', '-c', 'e2e', ...only)
process.exitCode = code
