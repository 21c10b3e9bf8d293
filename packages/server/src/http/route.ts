import type { ClassConstructor } from 'class-transformer'
import type { Context, Hono } from 'hono'
import type { Person } from '../people/person.entity'
import { checked, readJson, USUAL_LIMIT } from './body'
import { notFound, notSignedIn, ownPasswordFirst } from './problem'

/** Who may call a route. Whose data it touches is checked by the handler; the wrong role is told 404. */
export type Who = 'anyone' | 'signed-in' | 'student' | 'teacher'

/** The one route for those who still have a password from somebody else. */
const OWN_PASSWORD = '/api/session/password'

/** What a handler gets. */
export interface Call<P extends Person | null, B> {
  readonly c: Context
  readonly person: P
  readonly body: B
  param(name: string): string
  query(name: string): string | undefined
}

/** One entry of the table of routes. */
export interface Route {
  readonly method: 'get' | 'post' | 'put' | 'patch' | 'delete'
  readonly path: string
  readonly who: Who
  readonly body: ClassConstructor<object> | null
  readonly limit: number
  readonly handle: (call: Call<Person | null, object>) => Promise<Response | object | null>
}

type PersonOf<W extends Who> = W extends 'anyone' ? Person | null : Person

/** Declares a route without a body. */
export function route<W extends Who>(
  method: 'get' | 'delete' | 'post',
  path: string,
  who: W,
  handle: (call: Call<PersonOf<W>, object>) => Promise<Response | object | null>,
): Route {
  return { method, path, who, body: null, limit: 0, handle: handle as Route['handle'] }
}

/** Declares a route with a checked JSON body. */
export function routeWithBody<W extends Who, B extends object>(
  method: 'post' | 'put' | 'patch',
  path: string,
  who: W,
  body: ClassConstructor<B>,
  handle: (call: Call<PersonOf<W>, B>) => Promise<Response | object | null>,
  limit = USUAL_LIMIT,
): Route {
  return { method, path, who, body, limit, handle: handle as Route['handle'] }
}

/** Puts a table of routes on the application. */
export function mount(
  app: Hono,
  routes: readonly Route[],
  personOf: (c: Context) => Promise<Person | null>,
): void {
  for (const entry of routes) {
    app.on(entry.method.toUpperCase(), entry.path, async (c) => {
      const person = entry.who === 'anyone' && !c.req.header('cookie') ? null : await personOf(c)
      if (entry.who !== 'anyone') {
        if (!person) throw notSignedIn()
        // a password that somebody else knows opens nothing but the way to an own one
        if (person.mustChange && entry.path !== OWN_PASSWORD) throw ownPasswordFirst()
        if (entry.who !== 'signed-in' && entry.who !== person.role) throw notFound()
      }
      const body = entry.body ? await checked(entry.body, await readJson(c, entry.limit)) : {}
      const param = (name: string) => c.req.param(name) ?? ''
      const result = await entry.handle({ c, person, body, param, query: (name) => c.req.query(name) })
      if (result instanceof Response) return result
      c.header('cache-control', 'private, no-store')
      return result === null ? c.body(null, 204) : c.json(result)
    })
  }
}
