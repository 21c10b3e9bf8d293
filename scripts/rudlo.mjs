/** `npm run -s rudlo -- VERB …`: the command line, built if it is not. */
import { join } from 'node:path'
import { needModules } from './lib/provision.mjs'
import { SERVER_DIST } from './lib/paths.mjs'

await needModules()
await (await import('./build.mjs')).build({ web: false })
await import(join(SERVER_DIST, 'rudlo.js'))
