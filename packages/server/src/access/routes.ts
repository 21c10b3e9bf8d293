import { IsOptional, IsString, Length, Matches, MaxLength } from 'class-validator'
import { IsId } from '../http/fields'
import type { Services } from '../services'
import { Person } from '../people/person.entity'
import { notFound, Problem } from '../http/problem'
import { route, routeWithBody, type Route } from '../http/route'
import { checkPassword } from './password-rules'
import { hashPassword } from './passwords'

class SignInBody {
  @IsString({ message: 'The sign-in name is missing' })
  @MaxLength(60, { message: 'That sign-in name is too long' })
  signIn!: string

  @IsString({ message: 'The password is missing' })
  @MaxLength(200, { message: 'That password is too long' })
  password!: string
}

class DemoSignInBody {
  @IsId()
  person!: string
}

class FirstTeacherBody {
  @IsString()
  @MaxLength(40)
  code!: string

  @IsString()
  @Length(1, 120, { message: 'Please give your name' })
  name!: string

  @Matches(/^[a-z0-9._-]{2,60}$/, {
    message: 'A sign-in name has 2 to 60 small letters, digits, dots or dashes',
  })
  signIn!: string

  @IsString()
  @Length(8, 200, { message: 'A password has at least 8 characters' })
  password!: string
}

class OwnPasswordBody {
  /** The password as it is now; not needed where it was given by a teacher. */
  @IsOptional()
  @IsString()
  @MaxLength(200)
  now?: string

  @IsString()
  @Length(8, 200, { message: 'A password has at least 8 characters' })
  password!: string
}

/** What a browser may know about a person. */
export function personView({ id, name, role, mustChange }: Person) {
  return { id, name, role, mustChange }
}

export function accessRoutes({
  database,
  sessions,
  installation,
  guard,
  people: classes,
}: Services): Route[] {
  const people = database.getRepository(Person)
  return [
    route('get', '/api/session', 'anyone', async ({ person }) => ({
      person: person && {
        ...personView(person),
        classes: await classes.countOf(person.id),
        isOut: await classes.isOut(person),
      },
      demo:
        installation.demo && !person
          ? (await people.find({ order: { role: 'DESC', name: 'ASC' } })).map(personView)
          : [],
      needsFirstTeacher: !person && (await installation.needsFirstTeacher()),
    })),

    routeWithBody('post', '/api/session', 'anyone', SignInBody, async ({ c, body }) => {
      const person = await people.findOneBy({ signIn: body.signIn.trim().toLowerCase() })
      if (!(await guard.proves(c, body.signIn, person, body.password)) || !person)
        throw new Problem(401, 'wrong-password', 'That name and password do not belong together.')
      await sessions.begin(c, person.id)
      return personView(person)
    }),

    routeWithBody('post', '/api/demo-session', 'anyone', DemoSignInBody, async ({ c, body }) => {
      const person = installation.demo ? await people.findOneBy({ id: body.person }) : null
      if (!person) throw notFound()
      await sessions.begin(c, person.id)
      return personView(person)
    }),

    routeWithBody('post', '/api/first-teacher', 'anyone', FirstTeacherBody, async ({ c, body }) => {
      const person = await installation.createFirstTeacher(body)
      await sessions.begin(c, person.id)
      return personView(person)
    }),

    routeWithBody(
      'put',
      '/api/session/password',
      'signed-in',
      OwnPasswordBody,
      async ({ c, person, body }) => {
        // whoever was given a password does not have to know it again, whoever chose one does
        if (!person.mustChange && !(await guard.proves(c, person.signIn, person, body.now ?? '')))
          throw new Problem(403, 'wrong-password', 'That is not your password as it is now.')
        checkPassword(body.password, person)
        const passwordHash = await hashPassword(body.password, person.id)
        await database.transaction(async (manager) => {
          await manager.update(Person, person.id, { passwordHash, mustChange: false })
          await sessions.endAllOf(manager, person.id)
        })
        await sessions.begin(c, person.id)
        return personView({ ...person, mustChange: false })
      },
    ),

    route('get', '/api/sessions', 'signed-in', ({ c, person }) => sessions.of(c, person.id)),

    route('delete', '/api/sessions/:session', 'signed-in', async ({ person, param }) => {
      if (!(await sessions.endOne(person.id, param('session')))) throw notFound()
      return null
    }),

    route('delete', '/api/session', 'anyone', async ({ c }) => {
      await sessions.end(c)
      return null
    }),
  ]
}
