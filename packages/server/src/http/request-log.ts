import type { MiddlewareHandler } from 'hono'

/** One line a request: method, route (not the address, which holds ids), status and time. No names, no bodies. */
export function requestLog(write: (line: string) => void): MiddlewareHandler {
  return async (c, next) => {
    const start = performance.now()
    await next()
    const pattern = c.req.path.replace(/[0-9a-f]{8}-[0-9a-f-]{27}|[0-9a-f]{64}/g, ':id')
    const ms = (performance.now() - start).toFixed(1)
    write(`${new Date().toISOString()} ${c.req.method} ${pattern} ${c.res.status} ${ms} ms`)
  }
}
