import { IsISO8601, IsOptional, Matches, registerDecorator } from 'class-validator'

/** What an id can look like, in a path or a body: others are nobody's. */
export const ID = /^[A-Za-z0-9_-]{1,64}$/

/** The id of something kept. */
export const IsId = (): PropertyDecorator => Matches(ID, { message: 'An id in the request is none' })

/** A list of ids. */
export const AreIds = (): PropertyDecorator =>
  Matches(ID, { each: true, message: 'An id in the request is none' })

/** Several decorators of a property as one. */
const applyDecorators =
  (...decorators: readonly PropertyDecorator[]): PropertyDecorator =>
  (target, property) => {
    for (const decorate of decorators) decorate(target, property)
  }

/** Times that the database can hold; far away lies what is not meant to come. */
const [EARLIEST, LATEST] = [Date.UTC(2000, 0, 1), Date.UTC(9000, 0, 1)]

/** A time as text that means a moment people live in, or null. */
export const IsMoment = (message: string): PropertyDecorator =>
  applyDecorators(IsOptional(), IsISO8601({}, { message }), (target, property) =>
    registerDecorator({
      name: 'isMoment',
      target: target.constructor,
      propertyName: String(property),
      options: { message },
      validator: {
        validate: (value: unknown) => {
          const time = Date.parse(String(value))
          return time >= EARLIEST && time < LATEST
        },
      },
    }),
  )
