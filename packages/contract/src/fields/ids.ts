import { words } from '@rudlo/words'
import { Matches } from 'class-validator'

/** What an id can look like, in a path, a query or a body: others are nobody's. */
export const ID = /^[A-Za-z0-9_-]{1,64}$/

const message = () => words('bad.fields.id-request-none')

/** The id of something kept. */
export const IsId = (): PropertyDecorator => Matches(ID, { message })

/** A list of ids. */
export const AreIds = (): PropertyDecorator => Matches(ID, { each: true, message })
