/** What the routes take, as a fuzzer wants to know it: read from the routes themselves. */
import 'reflect-metadata'
import { getMetadataStorage } from 'class-validator'
import { sentAsIs } from '@rudlo/contract/fields'
import { makeApi } from '../packages/server/src/api'
import { routeTable } from '../packages/server/src/http/route-table'
import type { Services } from '../packages/server/src/services'

/** A property of a body, and what is checked of it: the name of each rule with its limits. */
export interface Property {
  readonly name: string
  readonly rules: readonly { readonly rule: string; readonly limits: readonly unknown[] }[]
  /** Whether a reader of its own looks at it. */
  readonly document: boolean
}

export interface Shape {
  readonly method: string
  readonly path: string
  readonly who: string
  /** Most bytes of a body. */
  readonly limit: number
  /** Null where no JSON is wanted. */
  readonly body: readonly Property[] | null
}

type Class = abstract new (...args: never[]) => object

function propertiesOf(type: Class): Property[] {
  const asIs = sentAsIs(type as { prototype: object })
  const rules = getMetadataStorage().getTargetValidationMetadatas(type, '', false, false)
  const names = [...new Set(rules.map((r) => r.propertyName))]
  return names.map((name) => {
    const mine = rules.filter((r) => r.propertyName === name)
    return {
      name,
      rules: mine.map((r) => ({
        rule: r.name ?? r.type,
        limits: (r.constraints ?? []).map((c: unknown) => (c instanceof RegExp ? c.source : c)),
      })),
      document: asIs.includes(name),
    }
  })
}

/** Every route there is: they are only asked what they are. */
export function shapes(): Shape[] {
  return routeTable(makeApi({} as Services)).map(({ method, path, who, takes }) => {
    const json = takes.find((t) => t.in === 'json')
    return {
      method: method.toUpperCase(),
      path,
      who,
      limit: Math.max(64 * 1024, ...takes.map((t) => t.limit)),
      body: json?.type ? propertiesOf(json.type) : null,
    }
  })
}
