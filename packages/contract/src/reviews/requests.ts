import { words } from '@rudlo/words'
import { MISTAKES } from '@rudlo/core/mistakes'
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
  Max,
  MaxLength,
  Min,
} from 'class-validator'
import { AreIds, AsSent, IsId, IsRevision, IsTick, IsWritten } from '../fields'

/** Bytes of a remark: room for a suggested line of 5,000 points. */
export const REMARK_LIMIT = 512 * 1024

/** Marks and the comment of a hand-in. */
export class ChangedReview {
  /** Level (from 0) by criterion. */
  @AsSent()
  @IsObject()
  marks!: Readonly<Record<string, number>>

  @IsString()
  @MaxLength(5000, { message: () => words('bad.reviews.comment-characters-most') })
  comment!: string

  /** What was overruled, by what it is about: "check:ID", "mistake:KIND:LANE:TICK", "mark:LINE". As it was, if missing. */
  @IsOptional()
  @AsSent()
  @IsObject()
  overrules?: Readonly<Record<string, unknown>>

  /** The revision of the review that this one follows; 0 for the first. */
  @IsRevision(0)
  revision!: number
}

/** Which table of marks is wanted. */
export class MarksQuery {
  /** The marks of each student, or what each check of each student said. */
  @IsOptional()
  @IsIn(['students', 'checks'], { message: () => words('bad.reviews.no-such-table') })
  table?: 'students' | 'checks'
}

/** What a remark is about: a place, or the whole. */
class AboutPlace {
  /** Null for a remark on the whole. */
  @IsOptional()
  @IsString()
  @MaxLength(160)
  lane!: string | null

  @IsTick()
  from!: number

  @IsTick()
  to!: number

  /** The check, move or mistake that it is about. */
  @IsOptional()
  @IsString()
  @MaxLength(160)
  subject?: string
}

/** Something that is written of a place, or of the whole. */
export class NewRemark extends AboutPlace {
  @IsWritten(2000, () => words('bad.reviews.remark-needs-between'))
  text!: string

  /** A suggested line for the lane: its points. */
  @AsSent()
  @IsOptional()
  @IsArray({ message: () => words('bad.reviews.suggested-line-list') })
  @ArrayMaxSize(5000, { message: () => words('bad.reviews.line-points-most') })
  suggestion?: readonly unknown[] | null
}

/** Longest spoken remark, in ms, and the most that its recording may have, in bytes. */
export const SPOKEN = { longest: 90_000, bytes: 512 * 1024, wave: 64 } as const
/** Bytes of a request with a recording, as base64. */
export const SPOKEN_LIMIT = 720 * 1024

/** Something that is spoken of a place, or of the whole; a line of text may stand beside it. */
export class SpokenRemark extends AboutPlace {
  /** Made where it was spoken: the same one that is sent twice is kept once. */
  @IsId()
  @MaxLength(36)
  id!: string

  @IsString()
  @MaxLength(2000, { message: () => words('bad.reviews.remark-most') })
  text!: string

  /** The recording: WebM, Ogg or MP4 audio, as base64. */
  @IsString()
  @MaxLength(Math.ceil(SPOKEN.bytes / 3) * 4, { message: () => words('bad.reviews.spoken-large') })
  audio!: string

  /** How long it is, in ms. */
  @IsInt({ message: () => words('bad.reviews.spoken-length') })
  @Min(1, { message: () => words('bad.reviews.spoken-length') })
  @Max(SPOKEN.longest + 2000, { message: () => words('bad.reviews.spoken-length') })
  ms!: number

  /** How loud it is from beginning to end, in equal parts: 0…100 each. */
  @IsArray()
  @ArrayMaxSize(SPOKEN.wave)
  @IsInt({ each: true })
  @Min(0, { each: true })
  @Max(100, { each: true })
  wave!: readonly number[]
}

export class ChangedRemark extends NewRemark {
  /** The revision that this change follows. */
  @IsRevision()
  revision!: number
}

/** The same remark on several hand-ins. */
export class RemarkForMany extends NewRemark {
  @IsArray()
  @ArrayMinSize(1, { message: () => words('bad.reviews.choose-least-one') })
  @ArrayMaxSize(60, { message: () => words('bad.reviews.most-hand-ins-once') })
  @AreIds()
  handIns!: readonly string[]
}

/** What is answered to a remark. */
export class NewReply {
  @IsWritten(1000, () => words('bad.reviews.reply-needs-between'))
  text!: string
}

/** Whether a remark is ticked off. */
export class RemarkDone {
  @IsBoolean()
  done!: boolean
}

/** A remark that is kept to be used again. */
export class NewBankRemark {
  @IsWritten(2000, () => words('bad.reviews.remark-needs-between'))
  text!: string

  /** The kind of mistake that it is about; null for none. */
  @IsOptional()
  @IsIn(MISTAKES.map((m) => m.kind), { message: () => words('bad.reviews.no-such-mistake') })
  mistake!: string | null
}
