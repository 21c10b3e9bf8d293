import { IsOptional, IsString, Length, Matches, MaxLength } from 'class-validator'
import type { Services } from '../services'
import { Person } from '../people/person.entity'
import { notFound, Problem } from '../http/problem'
import { route, routeWithBody, type Route } from '../http/route'
import { hashPassword } from './passwords'
import { provesToBe } from './prove'

class SignInBody {
  @IsString({ message: 'The sign-in name is missing' })
  @MaxLength(60, { message: 'That sign-in name is too long' })
  signIn!: string

  @IsString({ message: 'The password is missing' })
  @MaxLength(200, { message: 'That password is too long' })
  password!: string
}

class DemoSignInBody {
  @IsString()
  @MaxLength(36)
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

export function accessRoutes({ database, sessions, installation }: Services): Route[] {
  const people = database.getRepository(Person)
  return [
    route('get', '/api/session', 'anyone', async ({ person }) => ({
      person: person && personView(person),
      demo:
        installation.demo && !person
          ? (await people.find({ order: { role: 'DESC', name: 'ASC' } })).map(personView)
          : [],
      needsFirstTeacher: !person && (await installation.needsFirstTeacher()),
    })),

    routeWithBody('post', '/api/session', 'anyone', SignInBody, async ({ c, body }) => {
      const person = await people.findOneBy({ signIn: body.signIn.trim().toLowerCase() })
      if (!(await provesToBe(c, people, person, body.password)) || !person)
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
        if (!person.mustChange && !(await provesToBe(c, people, person, body.now ?? '')))
          throw new Problem(403, 'wrong-password', 'That is not your password as it is now.')
        const passwordHash = await hashPassword(body.password)
        await people.update(person.id, { passwordHash, mustChange: false, wrongTries: 0, retryAt: null })
        await sessions.endAllOf(person.id)
        await sessions.begin(c, person.id)
        return personView({ ...person, mustChange: false })
      },
    ),

    route('delete', '/api/session', 'anyone', async ({ c }) => {
      await sessions.end(c)
      return null
    }),
  ]
}
