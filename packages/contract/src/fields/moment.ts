import { IsISO8601, IsOptional, registerDecorator } from 'class-validator'
import { together } from './together'

/** A moment as ISO 8601 text, such as "2026-03-02T09:30:00.000Z". */
export type Moment = string

/** Times that the database can hold; far away lies what is not meant to come. */
const [EARLIEST, LATEST] = [Date.UTC(2000, 0, 1), Date.UTC(9000, 0, 1)]

/** A {@link Moment} that people live in, or null. */
export const IsMoment = (message: () => string): PropertyDecorator =>
  together(IsOptional(), IsISO8601({}, { message }), (target, property) =>
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
