import { words } from '@rudlo/words'
import { IsOptional, Matches } from 'class-validator'

/** From where on it is wanted to know what happened. */
export class HappeningsQuery {
  /** The id of the last thing that is known; without it only the newest id is told. */
  @IsOptional()
  @Matches(/^(\d{1,19})?$/, { message: () => words('bad.live.no-id-something') })
  after?: string
}
