import 'reflect-metadata'
import { createServer as createHttps } from 'node:https'
import { serve, type ServerType } from '@hono/node-server'
import { createApp } from './app'
import { configFrom, type Config } from './config'
import { dataSource } from './database/data-source'
import { bringUpToDate } from './database/up-to-date'
import { isDemo, seedDemo } from './demo/seed'
import { freeRoomAt } from './http/disk'
import { logFile } from './http/log'
import { Person } from './people/entities'
import { createServices } from './services'
import { answerQuestions } from './vital-signs'
import { Setting } from './access/entities'
import type { DataSource } from 'typeorm'

/** Tells the starter how far things are. */
function tell(message: Readonly<Record<string, unknown>>): void {
  if (process.send) process.send(message)
  else process.stdout.write(JSON.stringify(message) + '\n')
}

/**
 * What kind of installation this is: as noted at its first start; or, where that was not reached, by who is in it. Null where
 * nobody is.
 */
async function kindOf(database: DataSource): Promise<'demo' | 'own' | null> {
  const stored = await database.getRepository(Setting).findOneBy({ name: 'kind' })
  if (stored) return stored.value === 'demo' ? 'demo' : 'own'
  if (!(await database.getRepository(Person).count())) return null
  return (await isDemo(database)) ? 'demo' : 'own'
}

async function main(): Promise<void> {
  const {
    database: connection,
    port,
    demo: wantsDemo,
    demoClasses,
    demoPace,
    rehearse,
    web,
    log: file,
    disk,
    tls,
    hosts,
    proxied,
    uploads,
  } = configFrom(process.env)
  const log = logFile(file)
  const database = await dataSource(connection).initialize()
  tell({ step: 'bringing the database up to date' })
  await bringUpToDate(database)

  const kind = await kindOf(database)
  const demo = kind === null ? wantsDemo : kind === 'demo'
  // whoever is in the network could be anybody of the demo
  if (demo && tls)
    throw new Error(
      'The demo serves this machine alone. Begin an installation of your own: npm start -- --empty --lan',
    )
  const services = createServices(database, {
    demo,
    workers: new URL('./', import.meta.url),
    log,
    proxied,
    uploads,
  })
  if (demo && kind === null)
    await seedDemo(services, (step) => tell({ step }), { classes: demoClasses, pace: demoPace })
  else await database.getRepository(Setting).save({ name: 'kind', value: demo ? 'demo' : 'own' })
  await services.measuring.resume()
  services.housekeeping.start()
  if (rehearse) services.rehearsal.start()
  const code = (await services.installation.needsFirstTeacher())
    ? await services.installation.firstTeacherCode()
    : null

  const app = createApp(services, {
    log,
    hosts,
    network: tls !== null,
    ...(web ? { web } : {}),
    ...(disk ? { freeRoom: freeRoomAt(disk) } : {}),
  })
  // this machine alone, or HTTPS
  const server = await listen(app.fetch, port, tls)
  answerQuestions(database, tell)
  tell({ ready: true, port, demo, code })

  let stopping = false
  const stop = () => {
    if (stopping) return
    stopping = true
    const late = setTimeout(() => process.exit(1), 10_000)
    // pages that listen would hold the server open
    services.happenings.close()
    if ('closeAllConnections' in server) setTimeout(() => server.closeAllConnections(), 500)
    server.close(() => {
      void services
        .close()
        .then(() => database.destroy())
        .finally(() => {
          clearTimeout(late)
          process.exit(0)
        })
    })
    if ('closeIdleConnections' in server) server.closeIdleConnections()
  }
  process.on('SIGTERM', stop)
  process.on('SIGINT', stop)
  process.on('disconnect', stop)
}

function listen(
  fetch: Parameters<typeof serve>[0]['fetch'],
  port: number,
  tls: Config['tls'],
): Promise<ServerType> {
  return new Promise((resolve, reject) => {
    const server = tls
      ? serve({ fetch, port, hostname: '0.0.0.0', createServer: createHttps, serverOptions: tls }, () =>
          resolve(server),
        )
      : serve({ fetch, port, hostname: '127.0.0.1' }, () => resolve(server))
    server.once('error', reject)
  })
}

main().catch((error: Error & { code?: string }) => {
  tell({ failed: error.message, code: error.code ?? null })
  process.exit(error.code === 'EADDRINUSE' ? 3 : 1)
})
