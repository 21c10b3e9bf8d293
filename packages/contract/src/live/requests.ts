import { IsOptional, Matches } from 'class-validator'

/** From where on it is wanted to know what happened. */
export class HappeningsQuery {
  /** The id of the last thing that is known; without it only the newest id is told. */
  @IsOptional()
  @Matches(/^(\d{1,19})?$/, { message: 'That is no id of something that happened' })
  after?: string
}
