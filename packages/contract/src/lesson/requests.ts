// class-transformer's decorators look for it
import { words } from '@rudlo/words'
import 'reflect-metadata'
import { IsBoolean, IsInt, IsOptional, IsString, Max, MaxLength, Min } from 'class-validator'
import { Transform } from 'class-transformer'
import { IsId, IsTick } from '../fields'

/** Where a student is, said by the bench every few seconds. */
export class BenchPresence {
  /** The task that is open; empty for none. */
  @IsString()
  @MaxLength(64)
  task!: string

  /** Whether something was done since the last time. */
  @IsBoolean()
  acted!: boolean

  /** Whether help is wanted. */
  @IsBoolean()
  help!: boolean

  /** Whether the own line may be shown to the class. */
  @IsBoolean()
  shows!: boolean
}

/** A place that is pointed at. */
export class PointedPlace {
  /** Whom it is shown to; everybody of the group where it is missing. */
  @IsOptional()
  @IsId()
  person?: string | null

  /** The lane that is meant; none for a place alone. */
  @IsOptional()
  @IsString()
  @MaxLength(160)
  lane?: string | null

  @IsTick()
  from!: number

  @IsTick()
  to!: number
}

/** What is known already of a work that is looked at. */
export class LiveWorkQuery {
  /** The revision that is known. */
  @IsOptional()
  @Transform(({ value }) => Number(value))
  @IsInt({ message: () => words('bad.lesson.revision-whole-number') })
  @Min(0)
  @Max(4e9)
  after?: number
}
