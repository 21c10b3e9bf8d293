import { getConnInfo } from '@hono/node-server/conninfo'
import type { Context } from 'hono'

/**
 * Where a request came from.
 * @param proxied whether a reverse proxy stands in front: then it says so, in the last entry of X-Forwarded-For
 */
export function addressOf(c: Context, proxied: boolean): string {
  const said = proxied ? c.req.header('x-forwarded-for')?.split(',').at(-1)?.trim() : undefined
  if (said) return said.slice(0, 64)
  try {
    return getConnInfo(c).remote.address ?? 'unknown'
  } catch {
    // called without a connection
    return 'unknown'
  }
}
