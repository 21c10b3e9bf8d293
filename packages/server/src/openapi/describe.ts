/** What the description of the routes is made from; run by `scripts/contract.mjs` alone. */
import 'reflect-metadata'
import { ERROR_CODES } from '@rudlo/contract/errors'
import { defaultMetadataStorage } from 'class-transformer/cjs/storage.js'
import { validationMetadatasToSchemas } from 'class-validator-jsonschema'
import { makeApi } from '../api'
import { routeTable } from '../http/route-table'
import type { Services } from '../services'

/** A route, and the names of the classes of what it takes. */
export interface DescribedRoute {
  readonly method: string
  readonly path: string
  readonly who: string
  readonly json: string | null
  readonly query: string | null
  readonly bytes: boolean
  /** Bytes that a body may have. */
  readonly limit: number
}

/** Every route. No handler runs: they are only asked what they are. */
export function describedRoutes(): DescribedRoute[] {
  return routeTable(makeApi({} as Services)).map(({ method, path, who, takes }) => ({
    method,
    path,
    who,
    json: takes.find((t) => t.in === 'json')?.type?.name ?? null,
    query: takes.find((t) => t.in === 'query')?.type?.name ?? null,
    bytes: takes.some((t) => t.in === 'bytes'),
    limit: Math.max(0, ...takes.map((t) => t.limit)),
  }))
}

/** JSON Schemas of every request class, by name, made from their decorators. */
export const requestSchemas = (): Record<string, object> => ({
  ...validationMetadatasToSchemas({
    // where @Type says what is inside
    classTransformerMetadataStorage: defaultMetadataStorage,
    refPointerPrefix: '#/components/schemas/',
    additionalConverters: {
      isMoment: () => ({ type: 'string', format: 'date-time' }),
      areCommands: () => ({ type: 'array', items: { $ref: '#/components/schemas/CommandReport' } }),
    },
  }),
})

export const errorCodes: Readonly<Record<string, string>> = ERROR_CODES
