import { Hono } from 'hono'
import { accessRoutes } from './access/routes'
import { assignmentRoutes } from './assignments/routes'
import { severalGroupsRoutes } from './assignments/several-groups-routes'
import { handInRoutes } from './handins/routes'
import { diskFull, roomOnDisk } from './http/disk'
import { mountPages } from './http/pages'
import { notFound, Problem } from './http/problem'
import { requestLog } from './http/request-log'
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
}

/** Puts the server together. */
export function createApp(services: Services, { log, web, disk }: AppOptions): Hono {
  const app = new Hono()
  app.use(requestLog(log))
  app.use(securityHeaders)
  app.use(sameOriginWrites)
  if (disk) app.use('/api/*', roomOnDisk(disk))
  app.onError((error, c) => {
    const problem = error instanceof Problem ? error : unexpected(error, log)
    return c.json(problem.body, problem.status)
  })
  app.notFound((c) => c.json(notFound().body, 404))
  mount(app, allRoutes(services), (c) => services.sessions.person(c))
  if (web) mountPages(app, web)
  return app
}

/** What MariaDB says where there is no room: a table cannot grow, or the disk is full. */
const NO_ROOM = ['ER_RECORD_FILE_FULL', 'ER_DISK_FULL', 'ENOSPC']

/** A full disk and a database that is away are told apart from a fault of ours; none tells what happened inside. */
function unexpected(error: Error, log: (line: string) => void): Problem {
  const { code } = error as { code?: string }
  if (NO_ROOM.includes(code ?? '')) {
    log(`the disk is full: ${code}`)
    return diskFull()
  }
  const away = ['ECONNREFUSED', 'PROTOCOL_CONNECTION_LOST', 'ECONNRESET', 'ETIMEDOUT', 'EPIPE'].includes(
    code ?? '',
  )
  log(away ? `database away: ${code}` : `error: ${error.name} ${code ?? ''} ${error.stack ?? ''}`)
  return away
    ? new Problem(
        503,
        'database-away',
        'The database does not answer just now. Nothing is lost; please try again.',
      )
    : new Problem(500, 'fault', 'Something went wrong on the server. Nothing was changed.')
}
