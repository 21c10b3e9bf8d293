import { Hono } from 'hono'
import { accessRoutes } from './access/routes'
import { assignmentRoutes } from './assignments/routes'
import { severalGroupsRoutes } from './assignments/several-groups-routes'
import { handInRoutes } from './handins/routes'
import { roomOnDisk } from './http/disk'
import { ownHosts } from './http/hosts'
import { mountPages } from './http/pages'
import { notFound, Problem } from './http/problem'
import { requestLog } from './http/request-log'
import { unexpected } from './http/unexpected'
import { mount, route, type Route } from './http/route'
import { sameOriginWrites, securityHeaders } from './http/security'
import { lessonRoutes } from './lesson/routes'
import { liveRoutes } from './live/routes'
import { bankRoutes } from './reviews/bank-routes'
import { remarkRoutes } from './reviews/remark-routes'
import { peopleRoutes } from './people/routes'
import { reviewRoutes } from './reviews/routes'
import type { Services } from './services'
import { songbookRoutes } from './songbook/routes'
import { surfaceRoutes } from './surfaces/routes'
import { workRoutes } from './works/routes'

/** Every route there is, with who may call it. */
export function allRoutes(services: Services): Route[] {
  return [
    route('get', '/api/health', 'anyone', async () => {
      await services.database.query('SELECT 1')
      return { ok: true }
    }),
    ...accessRoutes(services),
    ...peopleRoutes(services),
    ...assignmentRoutes(services),
    ...severalGroupsRoutes(services),
    ...workRoutes(services),
    ...handInRoutes(services),
    ...reviewRoutes(services),
    ...remarkRoutes(services),
    ...bankRoutes(services),
    ...liveRoutes(services),
    ...lessonRoutes(services),
    ...songbookRoutes(services),
    ...surfaceRoutes(services),
  ]
}

export interface AppOptions {
  readonly log: (line: string) => void
  /** Folder of the built web application; none in tests of the server alone. */
  readonly web?: string
  /** A folder on the disk of the database, where that is a disk of this machine. */
  readonly disk?: string
  /** Names by which this installation is reached besides those of this machine alone. */
  readonly hosts?: readonly string[]
  /** Whether it serves the networks of this machine. */
  readonly network?: boolean
}

/** Puts the server together. */
export function createApp(
  services: Services,
  { log, web, disk, hosts = [], network = false }: AppOptions,
): Hono {
  const app = new Hono()
  app.use(requestLog(log))
  app.use(securityHeaders)
  app.use(ownHosts(hosts, network))
  app.use(sameOriginWrites)
  if (disk) app.use('/api/*', roomOnDisk(disk))
  app.onError((error, c) => {
    const problem = error instanceof Problem ? error : unexpected(error, log)
    if (problem.details['retryAfter']) c.header('retry-after', String(problem.details['retryAfter']))
    return c.json(problem.body, problem.status)
  })
  app.notFound((c) => c.json(notFound().body, 404))
  mount(app, allRoutes(services), {
    personOf: (c) => services.sessions.person(c),
    isOut: (person) => services.people.isOut(person),
  })
  if (web) mountPages(app, web)
  return app
}
