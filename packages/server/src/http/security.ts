import { words } from '@rudlo/words'
import type { MiddlewareHandler } from 'hono'
import { NONCE, secureHeaders } from 'hono/secure-headers'
import { Problem } from './problem'

const NONE = ["'none'"]
const SELF = ["'self'"]
/** The engine's inner loops are WebAssembly. */
const SCRIPTS = ["'self'", "'wasm-unsafe-eval'"]

/** What holds for every answer: cross-origin isolation, no sniffing, nothing told to other sites. */
const ALWAYS = {
  crossOriginOpenerPolicy: 'same-origin',
  crossOriginEmbedderPolicy: 'require-corp',
  crossOriginResourcePolicy: 'same-origin',
  xContentTypeOptions: true,
  referrerPolicy: 'no-referrer',
  // a teacher speaks remarks: this site alone may ask for the microphone
  permissionsPolicy: { camera: false, microphone: ['self'] as string[], geolocation: false, payment: false },
  // an installation may go back from HTTPS to this machine alone
  strictTransportSecurity: false,
} as const

/** Headers of what is data: it runs nothing and is shown in nothing. */
export const dataHeaders: MiddlewareHandler = secureHeaders({
  ...ALWAYS,
  contentSecurityPolicy: { defaultSrc: NONE, frameAncestors: NONE },
})

/** Headers of the built files: workers and worklets take their policy from the script's own answer. */
export const fileHeaders: MiddlewareHandler = secureHeaders({
  ...ALWAYS,
  contentSecurityPolicy: { defaultSrc: NONE, scriptSrc: SCRIPTS, connectSrc: SELF },
})

/** Headers of the page: only its own files, and styles that carry this page's nonce (`secureHeadersNonce`). */
export const pageHeaders: MiddlewareHandler = secureHeaders({
  ...ALWAYS,
  contentSecurityPolicy: {
    defaultSrc: NONE,
    scriptSrc: SCRIPTS,
    styleSrc: ["'self'", NONCE],
    imgSrc: ["'self'", 'data:'],
    fontSrc: SELF,
    connectSrc: SELF,
    workerSrc: SELF,
    mediaSrc: SELF,
    manifestSrc: SELF,
    baseUri: NONE,
    formAction: SELF,
    frameAncestors: NONE,
  },
})

const READS = new Set(['GET', 'HEAD', 'OPTIONS'])

/**
 * Refuses writes that another site's page sent: they carry its origin, or say that they come from elsewhere. Hono's own `csrf`
 * lets through whatever is not sent as a form; here every write is looked at.
 */
export const sameOriginWrites: MiddlewareHandler = async (c, next) => {
  if (!READS.has(c.req.method)) {
    const origin = c.req.header('origin')
    const site = c.req.header('sec-fetch-site')
    const foreign = origin
      ? hostOf(origin) !== c.req.header('host')
      : site !== undefined && site !== 'same-origin'
    if (foreign) throw new Problem(403, 'other-origin', words('server.request-came-another'))
  }
  await next()
}

/** Host of an origin; null for what is none, such as the "null" of a sandboxed page. */
function hostOf(origin: string): string | null {
  return URL.canParse(origin) ? new URL(origin).host : null
}
