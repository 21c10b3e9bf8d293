import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'

/** The checkout. */
export const ROOT = dirname(dirname(dirname(fileURLToPath(import.meta.url))))
/** What `npm start` keeps, unless RUDLO_DATA says otherwise. */
export const DATA = process.env.RUDLO_DATA ?? join(ROOT, 'data')
export const SERVER_DIST = join(ROOT, 'packages/server/dist')
export const WEB_DIST = join(ROOT, 'packages/web/dist')
/** Tests of components as few files, which `npm test` makes. */
export const COMPONENT_TESTS = join(ROOT, '.build/component-tests')
