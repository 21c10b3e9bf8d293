import { words } from '@rudlo/words'
import { IsInt, Max, Min } from 'class-validator'
import { together } from './together'

/** A revision of something kept: it grows by one at each change. `least` 0 where there may be none yet. */
export const IsRevision = (least: 0 | 1 = 1): PropertyDecorator =>
  together(IsInt({ message: () => words('bad.fields.revision-whole-number') }), Min(least), Max(4e9))
