// class-transformer's decorators look for it
import 'reflect-metadata'
import { words } from '@rudlo/words'
import { IsBoolean, IsNumber, IsObject, IsOptional, IsString, Max, MaxLength, Min } from 'class-validator'
import { AsSent, IsRevision } from '../fields'

/** Letters of the longest reason for a mark. */
export const REASON_LENGTH = 300

/** How a class is marked. */
export class ChangedScheme {
  /** A core `GradeScheme`. */
  @AsSent()
  @IsObject({ message: () => words('bad-grades.scale') })
  scheme!: object

  /** The revision that this follows; 0 for the first. */
  @IsRevision(0)
  revision!: number
}

/** An overall mark by hand. */
export class OverallMark {
  /** 0…1 of what can be reached; null to follow the rule again. */
  @IsOptional()
  @IsNumber({}, { message: () => words('bad.grades.share') })
  @Min(0, { message: () => words('bad.grades.share') })
  @Max(1, { message: () => words('bad.grades.share') })
  share!: number | null

  @IsString()
  @MaxLength(REASON_LENGTH, { message: () => words('bad.grades.reason-long', { most: REASON_LENGTH }) })
  reason!: string
}

/** Whether somebody need not do an assignment. */
export class Excuse {
  @IsBoolean()
  excused!: boolean

  @IsString()
  @MaxLength(REASON_LENGTH, { message: () => words('bad.grades.reason-long', { most: REASON_LENGTH }) })
  reason!: string
}
