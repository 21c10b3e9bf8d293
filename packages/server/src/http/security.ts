import type { MiddlewareHandler } from 'hono'
import { Problem } from './problem'

/** Headers of every answer: cross-origin isolation, no sniffing, nothing told to other sites. */
export const securityHeaders: MiddlewareHandler = async (c, next) => {
  await next()
  c.header('cross-origin-opener-policy', 'same-origin')
  c.header('cross-origin-embedder-policy', 'require-corp')
  c.header('cross-origin-resource-policy', 'same-origin')
  c.header('x-content-type-options', 'nosniff')
  c.header('referrer-policy', 'no-referrer')
  c.header('permissions-policy', 'camera=(), microphone=(), geolocation=(), payment=()')
  if (!c.res.headers.has('content-security-policy')) {
    c.header('content-security-policy', "default-src 'none'; frame-ancestors 'none'")
  }
}

/** The content-security policy of the page: only its own files, and styles that carry this page's nonce. */
export function pagePolicy(nonce: string): string {
  return [
    "default-src 'none'",
    "script-src 'self' 'wasm-unsafe-eval'",
    `style-src 'self' 'nonce-${nonce}'`,
    "img-src 'self' data:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self'",
    "media-src 'self'",
    "manifest-src 'self'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ')
}

const READS = new Set(['GET', 'HEAD', 'OPTIONS'])

/** Refuses writes that another site's page sent: they carry its origin, or say that they come from elsewhere. */
export const sameOriginWrites: MiddlewareHandler = async (c, next) => {
  if (!READS.has(c.req.method)) {
    const origin = c.req.header('origin')
    const site = c.req.header('sec-fetch-site')
    const foreign = origin
      ? hostOf(origin) !== c.req.header('host')
      : site !== undefined && site !== 'same-origin'
    if (foreign) throw new Problem(403, 'other-origin', 'This request came from another site.')
  }
  await next()
}

/** Host of an origin; null for what is none, such as the "null" of a sandboxed page. */
function hostOf(origin: string): string | null {
  return URL.canParse(origin) ? new URL(origin).host : null
}
