import type { Hono } from 'hono'
import type { Takes } from './validated'
import type { Env, Who, WhoMiddleware } from './who'

/** A route as its middleware says it is. */
export interface RouteEntry {
  readonly method: string
  readonly path: string
  readonly who: Who
  readonly takes: readonly Takes['takes'][]
}

const saysWho = (handler: object): handler is WhoMiddleware => 'who' in handler
const saysTakes = (handler: object): handler is Takes => 'takes' in handler

/**
 * Every route of an application, with whom it is for and what it takes.
 * @throws Error for a route that does not say whom it is for
 */
export function routeTable(app: Hono<Env>): RouteEntry[] {
  const found = new Map<string, { method: string; path: string; who?: Who; takes: Takes['takes'][] }>()
  for (const { method, path, handler } of app.routes) {
    if (method === 'ALL') continue
    const key = `${method} ${path}`
    const entry = found.get(key) ?? { method: method.toLowerCase(), path, takes: [] }
    found.set(key, entry)
    if (saysWho(handler)) entry.who = handler.who
    if (saysTakes(handler)) entry.takes.push(handler.takes)
  }
  return [...found.values()].map(({ who, ...entry }) => {
    if (who === undefined) throw new Error(`${entry.method} ${entry.path} does not say whom it is for.`)
    return { ...entry, who }
  })
}
