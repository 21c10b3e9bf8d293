/**
 * The application without its server: every file of it is kept by the browser, with the page. What the server answers is kept by
 * the page itself (`api/kept-answers.ts`), which knows whose it is.
 */
import {
  cleanupOutdatedCaches,
  matchPrecache,
  precacheAndRoute,
  type PrecacheEntry,
} from 'workbox-precaching'
import { NavigationRoute, registerRoute } from 'workbox-routing'
import { isNobodyThere } from '../api/nobody-there'

/** What of a worker's scope is needed here: the compiler knows that of a page. */
interface Scope {
  /** Every file of the application; written by the build. */
  readonly FILES: (PrecacheEntry | string)[]
  addEventListener(type: 'install', tell: (event: InstallEvent) => void): void
}
interface InstallEvent {
  /** Which requests need not come here at all; not there in every browser. */
  addRoutes?(rules: readonly object[]): Promise<void>
}

/** The page is waited for so long, in ms; then it is the one that was kept. */
const PATIENCE_MS = 4000
const PAGE = '/'

declare const self: Scope

self.addEventListener('install', (event) => {
  // what the server answers is asked of it without a detour
  void event.addRoutes?.([{ condition: { urlPattern: '/api/*' }, source: 'network' }])
})

/** The page as the server has it; the kept one where that takes too long, or nobody is there. */
async function page(request: Request): Promise<Response> {
  try {
    const answer = await fetch(request, { signal: AbortSignal.timeout(PATIENCE_MS) })
    if (!isNobodyThere(answer)) return answer
  } catch {
    // nobody answers
  }
  return (await matchPrecache(PAGE)) ?? Response.error()
}

// before what is kept: the page itself is kept too, and the server's is newer
registerRoute(new NavigationRoute(({ request }) => page(request), { denylist: [/^\/api\//, /^\/schemas\//] }))
precacheAndRoute(self.FILES)
cleanupOutdatedCaches()
