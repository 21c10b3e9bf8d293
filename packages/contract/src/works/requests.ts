import { words } from '@rudlo/words'
import {
  IsArray,
  IsInt,
  IsISO8601,
  IsObject,
  IsOptional,
  IsString,
  Length,
  Max,
  MaxLength,
  Min,
} from 'class-validator'
import { AsSent, IsRevision, type Moment } from '../fields'
import { AreCommands, type CommandReport } from './commands'

/** Bytes of the largest save: room for a whole mix in one piece. */
export const SAVE_LIMIT = 2.5 * 1024 * 1024

/** What was changed of a work, and the commands that changed it. */
export class Save {
  /** The revision that it changes. */
  @IsRevision()
  revision!: number

  /** Names the save, so that it can be sent again. */
  @IsString()
  @Length(8, 40)
  save!: string

  /** Operations of JSON Patch: add, replace, remove. How many there may be is looked at where they are made. */
  @AsSent()
  @IsArray({ message: () => words('bad.works.patch-list-changes') })
  patch!: readonly unknown[]

  @AsSent()
  @AreCommands()
  commands!: readonly CommandReport[]

  /** The browser's clock, which need not be right. */
  @IsOptional()
  @IsISO8601()
  @MaxLength(40)
  now?: Moment
}

/** The window that has the work from now on. */
export class ClaimedWindow {
  @IsString()
  @Length(8, 40)
  window!: string
}

/** A hint that is to be opened. */
export class HintWanted {
  @IsString()
  @MaxLength(64)
  task!: string

  /** From 0; one after the other. */
  @IsInt()
  @Min(0)
  @Max(2)
  level!: number
}

/** A task that was tried: the student asked how it was. */
export class TriedTask {
  @IsString()
  @MaxLength(64)
  task!: string
}

/** A whole alternative that is kept. */
export class NewTry {
  @IsString()
  @Length(1, 120, { message: () => words('bad.works.try-needs-name') })
  name!: string

  /** A core `WorkDocument`. */
  @AsSent()
  @IsObject()
  document!: object
}
