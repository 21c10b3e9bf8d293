import { words } from '@rudlo/words'
import { ROSTER_LIMITS } from '@rudlo/core/roster'
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsObject,
  IsOptional,
  IsString,
  Length,
  Matches,
  Max,
  MaxLength,
  Min,
} from 'class-validator'
import { IsNewPassword, IsSignInName } from '../access'
import { AreIds, AsSent, IsId, IsMoment, IsWritten, type Moment } from '../fields'

/** A new class. */
export class NewGroup {
  @IsWritten(120, () => words('bad.people.class-needs-name'))
  name!: string

  @IsString()
  @MaxLength(120, { message: () => words('bad.people.room-more-characters') })
  place!: string
}

/** A new term of a class. */
export class NextTerm extends NewGroup {
  /** Whether its students go on in it. */
  @IsBoolean()
  students!: boolean

  /** Assignments that are there as drafts again. */
  @IsArray()
  @ArrayMaxSize(200)
  @AreIds()
  assignments!: readonly string[]
}

/** What of a class goes into its archive. */
export class ArchiveQuery {
  /** Whether mixdowns are in it. */
  @IsOptional()
  @IsIn(['yes', 'no'])
  sound?: 'yes' | 'no'
}

/** What is set of a class. */
export class ChangedGroup extends NewGroup {
  /** Whether somebody may ask to join by the code. */
  @IsBoolean()
  joinOpen!: boolean

  /** The day of the week on which it has its lesson, from 0 for Sunday; null for none. */
  @IsOptional()
  @IsInt({ message: () => words('bad.people.lesson-day') })
  @Min(0, { message: () => words('bad.people.lesson-day') })
  @Max(6, { message: () => words('bad.people.lesson-day') })
  lessonDay?: number | null

  /** When the lesson begins, as "18:30"; null for none. */
  @IsOptional()
  @Matches(/^([01]\d|2[0-3]):[0-5]\d$/, { message: () => words('bad.people.lesson-time') })
  lessonTime?: string | null

  /** The day after which the teacher is asked whether everything personal may go. */
  @IsMoment(() => words('bad.people.day-not-day'))
  keepUntil!: Moment | null
}

/** A list of students, to be looked at or taken in. Text of at most 1 MiB a file. */
export class RosterFile {
  /** A list or table of students; or users.csv where there is an enrollments.csv too. */
  @IsString()
  @MaxLength(ROSTER_LIMITS.bytes, { message: () => words('bad.people.file-too-large') })
  text!: string

  @IsOptional()
  @IsString()
  @MaxLength(ROSTER_LIMITS.bytes, { message: () => words('bad.people.file-too-large') })
  enrollments?: string

  /** Which class of a OneRoster export. */
  @IsOptional()
  @IsString()
  @MaxLength(200)
  class?: string

  /** Which column of a table says what, by its place from 0: "name", "first", "last", "signIn", "schoolId". */
  @IsOptional()
  @AsSent()
  @IsObject()
  columns?: Readonly<Record<string, number>>

  /** Lines of the file whose person is the one of the same name who is known. All others are new. */
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(ROSTER_LIMITS.rows)
  @IsInt({ each: true })
  same?: readonly number[]

  /** Those of the class who are not in the list and are to be taken out. */
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(500)
  @AreIds()
  takeOut?: readonly string[]

  /** Whether it is only looked at. */
  @IsBoolean()
  preview!: boolean
}

/** Somebody whom the teacher knows from another class. */
export class NewMember {
  @IsId()
  person!: string

  /** The class that they leave for this one; they are in both where it is missing. */
  @IsOptional()
  @IsId()
  from?: string
}

/** The name of a student. */
export class StudentName {
  @IsWritten(120, () => words('bad.people.name-missing'))
  name!: string
}

/** Somebody who is to teach a class as well. */
export class NewTeacher {
  @IsSignInName()
  signIn!: string

  /** The name of somebody who is to become a teacher; missing for somebody who is one. */
  @IsOptional()
  @IsString()
  @MaxLength(120)
  name?: string
}

/** What is said to those who ask to join. */
export class JoinAnswer {
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(500)
  @AreIds()
  requests!: readonly string[]

  @IsBoolean()
  accept!: boolean
}

/** Asking to join a class by its code. */
export class JoinRequest {
  @IsString()
  @Length(1, 20, { message: () => words('bad.people.code-missing') })
  code!: string

  @IsWritten(120, () => words('bad.people.please-enter-name'))
  name!: string

  @IsSignInName()
  signIn!: string

  @IsString()
  @IsNewPassword()
  password!: string
}
