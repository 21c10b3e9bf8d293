import { MIX_SCHEMA } from '@rudlo/core/mix'
import { Hono } from 'hono'
import { accessRoutes } from './access/routes'
import { archiveRoutes } from './archive/routes'
import { assignmentRoutes } from './assignments/routes'
import { handInRoutes } from './handins/routes'
import { answer } from './http/answer'
import { who, type Env } from './http/who'
import { gradeRoutes } from './grades/routes'
import { lessonRoutes } from './lesson/routes'
import { liveRoutes } from './live/routes'
import { openapi } from './openapi/document'
import { peopleRoutes } from './people/routes'
import { removalRoutes } from './removed/routes'
import { reviewRoutes } from './reviews/routes'
import type { Services } from './services'
import { songbookRoutes } from './songbook/routes'
import { surfaceRoutes } from './surfaces/routes'
import { termRoutes } from './term/routes'
import { workRoutes } from './works/routes'

/** What belongs to no concern: whether the server is there, and what can be asked of it. */
const publicRoutes = ({ database }: Services) =>
  new Hono<Env>()
    .get('/health', who('anyone'), async (c) => {
      await database.query('SELECT 1')
      return answer(c, { ok: true as const })
    })

    .get('/openapi.json', who('anyone'), (c) => answer<Readonly<Record<string, unknown>>>(c, openapi()))

/** Every route there is. Their types are what the browser's client is made from. */
export const makeApi = (services: Services) =>
  new Hono<Env>()
    .get('/schemas/rudlo-mix-1.json', who('anyone'), (c) =>
      answer<Readonly<Record<string, unknown>>>(c, MIX_SCHEMA),
    )
    .basePath('/api')
    .route('/', publicRoutes(services))
    .route('/', accessRoutes(services))
    .route('/', peopleRoutes(services))
    .route('/', assignmentRoutes(services))
    .route('/', workRoutes(services))
    .route('/', handInRoutes(services))
    .route('/', reviewRoutes(services))
    .route('/', liveRoutes(services))
    .route('/', lessonRoutes(services))
    .route('/', termRoutes(services))
    .route('/', gradeRoutes(services))
    .route('/', removalRoutes(services))
    .route('/', archiveRoutes(services))
    .route('/', songbookRoutes(services))
    .route('/', surfaceRoutes(services))

/** The type of {@link makeApi}: the contract of the routes. */
export type Api = ReturnType<typeof makeApi>
