import { IsString, Length, Matches } from 'class-validator'
import { together } from './together'

/** Text of 1 to `most` characters that is more than spaces. */
export const IsWritten = (most: number, message: () => string): PropertyDecorator =>
  together(IsString(), Length(1, most, { message }), Matches(/\S/, { message }))
