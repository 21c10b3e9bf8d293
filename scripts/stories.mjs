/** `npm run test:e2e -- NAME`: the stories whose file or name has NAME in it; all of them without. */
import { ROOT } from './lib/paths.mjs'
import { needDebian, needModules } from './lib/provision.mjs'
import { run } from './lib/run.mjs'

await needDebian('mariadb-server', 'chromium-headless-shell', 'ffmpeg')
await needModules()
await (await import('./build.mjs')).build()
const names = process.argv.slice(2)
const { code } = await run(
  'npx',
  ['--no-install', 'playwright', 'test', '-c', 'e2e', ...(names.length ? ['--grep', names.join('|')] : [])],
  { cwd: ROOT, show: true },
)
process.exitCode = code
