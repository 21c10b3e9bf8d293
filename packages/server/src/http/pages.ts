import { randomBytes } from 'node:crypto'
import { readFileSync, existsSync } from 'node:fs'
import { extname, join, normalize, sep } from 'node:path'
import { gzipSync } from 'node:zlib'
import type { Context, Hono } from 'hono'
import { notFound } from './problem'
import { pagePolicy } from './security'

const TYPES: Readonly<Record<string, string>> = {
  '.html': 'text/html; charset=utf-8',
  '.js': 'text/javascript; charset=utf-8',
  '.css': 'text/css; charset=utf-8',
  '.svg': 'image/svg+xml',
  '.woff2': 'font/woff2',
  '.wasm': 'application/wasm',
  '.json': 'application/json',
}

interface File {
  readonly bytes: Buffer<ArrayBuffer>
  readonly zipped: Buffer<ArrayBuffer> | null
  readonly type: string
}

/** Serves the built web application: hashed files for ever, and the page for every other address. */
export function mountPages(app: Hono, folder: string): void {
  const files = new Map<string, File | null>()
  const read = (path: string): File | null => {
    const kept = files.get(path)
    if (kept !== undefined) return kept
    const full = join(folder, normalize(path))
    const type = TYPES[extname(path)]
    const found =
      type && full.startsWith(folder + sep) && !path.includes('\0') && existsSync(full)
        ? load(full, type)
        : null
    if (found || files.size < 1000) files.set(path, found)
    return found
  }

  app.get('/assets/*', (c) => {
    const file = read(decoded(c.req.path))
    if (!file) throw notFound()
    return answer(c, file, { 'cache-control': 'public, max-age=31536000, immutable' })
  })

  app.get('*', (c) => {
    if (c.req.path.startsWith('/api/')) throw notFound()
    const icon = c.req.path === '/icon.svg' ? read('/icon.svg') : null
    if (icon) return answer(c, icon, { 'cache-control': 'public, max-age=86400' })
    const page = read('/index.html')
    if (!page) throw notFound()
    const nonce = randomBytes(16).toString('base64')
    return c.body(page.bytes.toString('utf8').replaceAll('%NONCE%', nonce), 200, {
      'content-type': page.type,
      'cache-control': 'no-cache',
      'content-security-policy': pagePolicy(nonce),
    })
  })
}

/** An address without its percent signs; as it is where they are damaged, which names no file. */
function decoded(path: string): string {
  try {
    return decodeURIComponent(path)
  } catch {
    return path
  }
}

function load(full: string, type: string): File {
  const bytes = readFileSync(full) as Buffer<ArrayBuffer>
  const packable = type.startsWith('text/') || type.includes('json') || type.includes('svg')
  return { bytes, zipped: packable ? (gzipSync(bytes, { level: 9 }) as Buffer<ArrayBuffer>) : null, type }
}

/** Scripts carry the page's policy too: workers and worklets take theirs from the script's own answer. */
function answer(c: Context, { bytes, zipped, type }: File, headers: Record<string, string>): Response {
  const zip = zipped && (c.req.header('accept-encoding') ?? '').includes('gzip')
  return c.body(zip ? zipped : bytes, 200, {
    ...headers,
    'content-type': type,
    vary: 'accept-encoding',
    'content-security-policy': "default-src 'none'; script-src 'self' 'wasm-unsafe-eval'; connect-src 'self'",
    ...(zip ? { 'content-encoding': 'gzip' } : {}),
  })
}
