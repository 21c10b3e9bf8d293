import type { Role } from '@rudlo/contract/access'
import { ID } from '@rudlo/contract/fields'
import type { Context, MiddlewareHandler } from 'hono'
import { createMiddleware } from 'hono/factory'
import type { Remembered } from '../access/sessions'
import type { Person } from '../people/entities'
import { notFound, notSignedIn, ownPasswordFirst } from './problem'

/** Who may call a route. Whose data it touches is checked by the handler; the wrong role is told 404. */
export type Who = 'anyone' | 'signed-in' | Role

/** Who asks, and whether they are still somebody here. */
export interface Door {
  personOf(c: Context): Promise<Person | null>
  /** The same, by what was known a moment ago. */
  rememberedOf(c: Context): Promise<Remembered | null>
  /** Whether somebody was taken out of the last class they were in. */
  isOut(person: Person): Promise<boolean>
}

/** What every route finds in its context. */
export interface Env {
  Variables: { door: Door }
}

type PersonOf<W extends Who> = W extends 'anyone' ? Person | null : Person
type Known<W extends Who> = { Variables: { door: Door; person: PersonOf<W> } }

/** The one route for those who still have a password from somebody else. */
const OWN_PASSWORD = '/api/session/password'

/** Middleware that says whom a route is for: the table of routes is read from it. */
export type WhoMiddleware<W extends Who = Who> = MiddlewareHandler<Known<W>> & { readonly who: W }

/**
 * Lets in whom a route is for, before anything of the body is read, and puts them under `person`.
 * @throws Problem 401, 403 or 404
 */
export function who<W extends Who>(role: W): WhoMiddleware<W> {
  const admit = createMiddleware<{ Variables: { door: Door; person: Person | null } }>(async (c, next) => {
    const door = c.get('door')
    const person = role === 'anyone' && !c.req.header('cookie') ? null : await door.personOf(c)
    if (role !== 'anyone') {
      if (!person) throw notSignedIn()
      // a password that somebody else knows opens nothing but the way to an own one
      if (person.mustChange && c.req.path !== OWN_PASSWORD) throw ownPasswordFirst()
      if (role !== 'signed-in' && role !== person.role) throw notFound()
      if (role === 'teacher' && (await door.isOut(person))) throw notFound()
    }
    onlyIds(c)
    c.set('person', person)
    await next()
  })
  // whoever is let in is somebody: what the type says of `person` was looked at above
  return Object.assign(admit as MiddlewareHandler<Known<W>>, { who: role })
}

/**
 * The same for whoever was signed in a moment ago, under `remembered`: for what is asked once a second by everybody at work. The handler
 * finds out whether the session still holds, in the transaction in which it writes.
 * @throws Problem 401, 403 or 404
 */
export const remembered: MiddlewareHandler<{ Variables: { door: Door; remembered: Remembered } }> & {
  readonly who: 'signed-in'
} = Object.assign(
  createMiddleware<{ Variables: { door: Door; remembered: Remembered } }>(async (c, next) => {
    const found = await c.get('door').rememberedOf(c)
    if (!found) throw notSignedIn()
    if (found.person.mustChange) throw ownPasswordFirst()
    onlyIds(c)
    c.set('remembered', found)
    await next()
  }),
  { who: 'signed-in' } as const,
)

/** Whatever is no id is nobody's, whether or not the database could compare it. @throws Problem 404 */
function onlyIds(c: Context): void {
  const params: Readonly<Record<string, string>> = c.req.param()
  for (const value of Object.values(params)) if (!ID.test(value)) throw notFound()
}
