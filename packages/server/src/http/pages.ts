import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { serveStatic } from '@hono/node-server/serve-static'
import { Hono, type MiddlewareHandler } from 'hono'
import type { SecureHeadersVariables } from 'hono/secure-headers'
import { notFound } from './problem'
import { fileHeaders, pageHeaders } from './security'
import type { Env } from './who'

const FOR_EVER = 'public, max-age=31536000, immutable'
const A_DAY = 'public, max-age=86400'

/** Says how long browsers may keep what is found. */
const kept =
  (how: string): MiddlewareHandler =>
  async (c, next) => {
    await next()
    if (c.res.ok) c.header('cache-control', how)
  }

/** Serves the built web application: hashed files for ever, packed as the build left them, and the page for every other address. */
export function mountPages(app: Hono<Env>, folder: string): void {
  const page = readFileSync(join(folder, 'index.html'), 'utf8')
  const files = serveStatic<Env>({ root: folder, precompressed: true })
  const gone = () => {
    throw notFound()
  }

  app.get('/assets/*', fileHeaders, kept(FOR_EVER), files, gone)
  app.get('/icon.svg', fileHeaders, kept(A_DAY), files, gone)
  app.get('/manifest.webmanifest', fileHeaders, kept(A_DAY), files, gone)
  // what keeps the application in the browser: asked for anew each time, so that a new version is seen
  app.get('/service-worker.js', fileHeaders, kept('no-cache'), files, gone)
  const pages = new Hono<{ Variables: SecureHeadersVariables }>().get('*', pageHeaders, (c) => {
    if (c.req.path.startsWith('/api/')) throw notFound()
    return c.html(page.replaceAll('%NONCE%', c.get('secureHeadersNonce') ?? ''), 200, {
      'cache-control': 'no-cache',
    })
  })
  app.route('/', pages)
}
