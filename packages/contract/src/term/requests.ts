// class-transformer's decorators look for it
import 'reflect-metadata'
import { words } from '@rudlo/words'
import { IsBoolean, IsString, MaxLength } from 'class-validator'
import { IsId, IsRevision } from '../fields'

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
