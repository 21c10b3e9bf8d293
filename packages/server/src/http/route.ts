import type { ClassConstructor } from 'class-transformer'
import type { Context, Hono, MiddlewareHandler } from 'hono'
import type { Person } from '../people/person.entity'
import { checked, limited, readJson, USUAL_LIMIT } from './body'
import { ID } from './fields'
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
  return { method, path, who, body: null, limit: USUAL_LIMIT, handle: handle as Route['handle'] }
}

/** Declares a route that reads its body by itself: bytes, of which there are `limit` at most. */
export function routeWithBytes<W extends Who>(
  path: string,
  who: W,
  handle: (call: Call<PersonOf<W>, object>) => Promise<Response | object | null>,
  limit: number,
): Route {
  return { method: 'post', path, who, body: null, limit, handle: handle as Route['handle'] }
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

/** Who asks, and whether they are still somebody here. */
export interface Door {
  personOf(c: Context): Promise<Person | null>
  /** Whether somebody was taken out of the last class they were in. */
  isOut(person: Person): Promise<boolean>
}

type Env = { Variables: { person: Person | null } }

/** Lets in whom a route is for, before anything of the body is read. @throws Problem 401, 403 or 404 */
const admit =
  ({ who, path }: Route, door: Door): MiddlewareHandler<Env> =>
  async (c, next) => {
    const person = who === 'anyone' && !c.req.header('cookie') ? null : await door.personOf(c)
    if (who !== 'anyone') {
      if (!person) throw notSignedIn()
      // a password that somebody else knows opens nothing but the way to an own one
      if (person.mustChange && path !== OWN_PASSWORD) throw ownPasswordFirst()
      if (who !== 'signed-in' && who !== person.role) throw notFound()
      if (who === 'teacher' && (await door.isOut(person))) throw notFound()
    }
    c.set('person', person)
    await next()
  }

/** Puts a table of routes on the application. */
export function mount(app: Hono, routes: readonly Route[], door: Door): void {
  const typed = app as unknown as Hono<Env>
  for (const entry of routes) {
    typed.on(
      entry.method.toUpperCase(),
      entry.path,
      admit(entry, door),
      limited(entry.limit),
      async (c: Context<Env>) => {
        // whatever is no id is nobody's, whether or not the database could compare it
        for (const value of Object.values(c.req.param())) if (!ID.test(value)) throw notFound()
        const body = entry.body ? await checked(entry.body, await readJson(c)) : {}
        const param = (name: string) => c.req.param(name) ?? ''
        const query = (name: string) => c.req.query(name)
        const result = await entry.handle({ c, person: c.get('person'), body, param, query })
        if (result instanceof Response) return result
        c.header('cache-control', 'private, no-store')
        return result === null ? c.body(null, 204) : c.json(result)
      },
    )
  }
}
