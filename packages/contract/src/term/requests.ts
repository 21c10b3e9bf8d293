// class-transformer's decorators look for it
import 'reflect-metadata'
import { words } from '@rudlo/words'
import { ArrayMaxSize, ArrayMinSize, ArrayUnique, IsBoolean, IsString, MaxLength } from 'class-validator'
import { AreIds, IsId, IsRevision, IsWritten } from '../fields'

/** Letters of what can be noted about a student. */
export const NOTES_LENGTH = 5000

/** Notes about a student. */
export class ChangedNotes {
  @IsString()
  @MaxLength(NOTES_LENGTH, { message: () => words('bad.term.notes-long', { most: NOTES_LENGTH }) })
  text!: string

  /** The revision that this follows; 0 for the first. */
  @IsRevision(0)
  revision!: number
}

/** Whether a student allows the own work to be shown to a class, without a name. */
export class Sharing {
  @IsId()
  group!: string

  @IsBoolean()
  shares!: boolean
}

/** Letters of what a small group does. */
export const SMALL_GROUP_TITLE = 120
/** So many are in a small group at most. */
const SMALL_GROUP_MOST = 60

/** Some students who do something together in the next lesson. */
export class NewSmallGroup {
  /** What they do. */
  @IsWritten(SMALL_GROUP_TITLE, () => words('bad.term.small-group-title', { most: SMALL_GROUP_TITLE }))
  title!: string

  @ArrayMinSize(1)
  @ArrayMaxSize(SMALL_GROUP_MOST)
  @ArrayUnique()
  @AreIds()
  students!: string[]
}
