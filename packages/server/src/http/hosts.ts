import { words } from '@rudlo/words'
import { hostname, networkInterfaces } from 'node:os'
import type { MiddlewareHandler } from 'hono'
import { Problem } from './problem'

/** Names by which this machine alone is reached. */
export const LOOPBACK = ['localhost', '127.0.0.1', '[::1]'] as const

/** Addresses of a machine change while it runs: they are looked up again after so long. */
const KNOWN_MS = 10_000

/** The name in a Host header, without its port, small. */
const nameOf = (host: string) => host.replace(/:\d*$/, '').toLowerCase()

/** Names and addresses by which this machine is reached in its networks. */
function namesInNetwork(): string[] {
  const addresses = Object.values(networkInterfaces())
    .flat()
    .flatMap((i) => (i ? [i.family === 'IPv6' ? `[${i.address.split('%')[0]}]` : i.address] : []))
  return [hostname(), `${hostname()}.local`, ...addresses]
}

/**
 * Refuses requests for a host that is not this installation's: a foreign name that leads here (DNS rebinding) would make
 * another site's page one of ours.
 * @param names names by which this installation is reached besides those of this machine alone, without ports
 * @param network whether it serves the networks of this machine
 */
export function ownHosts(names: readonly string[], network = false): MiddlewareHandler {
  let own = new Set<string>()
  let looked = -Infinity
  const known = (name: string) => {
    if (performance.now() - looked > KNOWN_MS) {
      const all = [...LOOPBACK, ...names, ...(network ? namesInNetwork() : [])]
      own = new Set(all.map((n) => n.toLowerCase()))
      looked = performance.now()
    }
    return own.has(name)
  }
  return async (c, next) => {
    if (!known(nameOf(c.req.header('host') ?? '')))
      throw new Problem(421, 'other-host', words('server.address-not-one'))
    await next()
  }
}
