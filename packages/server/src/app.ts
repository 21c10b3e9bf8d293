import { Hono } from 'hono'
import { compress } from 'hono/compress'
import { makeApi } from './api'
import { roomOnDisk, type FreeRoom } from './http/disk'
import { ownHosts } from './http/hosts'
import { requestLog, type Log } from './http/log'
import { mountPages } from './http/pages'
import { notFound, Problem } from './http/problem'
import { dataHeaders, sameOriginWrites } from './http/security'
import { unexpected } from './http/unexpected'
import type { Door, Env } from './http/who'
import type { Services } from './services'

export interface AppOptions {
  readonly log: Log
  /** Folder of the built web application; none in tests of the server alone. */
  readonly web?: string
  /** What is left free on the disk of the database, where that is a disk of this machine. */
  readonly freeRoom?: FreeRoom
  /** Names by which this installation is reached besides those of this machine alone. */
  readonly hosts?: readonly string[]
  /** Whether it serves the networks of this machine. */
  readonly network?: boolean
}

/** Puts the server together. */
export function createApp(
  services: Services,
  { log, web, freeRoom, hosts = [], network = false }: AppOptions,
): Hono<Env> {
  const { sessions, people } = services
  const door = {
    personOf: (c) => sessions.person(c),
    rememberedOf: (c) => sessions.remembered(c),
    isOut: (person) => people.isOut(person),
  } satisfies Door
  const app = new Hono<Env>()
  app.use(requestLog(log))
  app.use(async (c, next) => {
    services.rehearsal.asked()
    c.set('door', door)
    await next()
  })
  app.use('/api/*', dataHeaders, compress())
  app.use('/schemas/*', dataHeaders)
  app.use(ownHosts(hosts, network))
  app.use(sameOriginWrites)
  if (freeRoom) app.use('/api/*', roomOnDisk(freeRoom))
  app.onError((error, c) => {
    const problem = error instanceof Problem ? error : unexpected(error, log)
    if (problem.details.retryAfter) c.header('retry-after', String(problem.details.retryAfter))
    return c.json(problem.body, problem.status)
  })
  app.notFound((c) => c.json(notFound().body, 404))
  app.route('/', makeApi(services))
  if (web) mountPages(app, web)
  return app
}
