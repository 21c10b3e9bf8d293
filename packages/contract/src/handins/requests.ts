// class-transformer's decorators look for it
import { words } from '@rudlo/words'
import 'reflect-metadata'
import { Type } from 'class-transformer'
import {
  ArrayMaxSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsOptional,
  IsString,
  MaxLength,
  ValidateNested,
} from 'class-validator'
import { IsMoment, IsRevision, type Moment } from '../fields'
import { HAND_IN_STATES, OUTCOMES, type HandInState, type Outcome } from './answers'

/** The other one of a pair at this machine, who says so with the own name and password. */
export class Partner {
  @IsString()
  @MaxLength(60)
  signIn!: string

  @IsString()
  @MaxLength(200)
  password!: string
}

/** A work that is handed in. */
export class NewHandIn {
  /** The revision of the work that is meant. */
  @IsRevision()
  revision!: number

  /** What the student was going for. */
  @IsOptional()
  @IsString()
  @MaxLength(400, { message: () => words('bad.handins.keep-one-line') })
  said?: string

  /** Tracks on which the hand was left writing. */
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(128)
  @IsString({ each: true })
  @MaxLength(64, { each: true })
  writing?: readonly string[]

  @IsOptional()
  @ValidateNested()
  @Type(() => Partner)
  partner?: Partner
}

/** What is decided of a hand-in. */
export class Decision {
  @IsIn(OUTCOMES, { message: () => words('bad.handins.say-whether-accepted') })
  outcome!: Outcome

  /** Whether it is held until all are given back together. */
  @IsOptional()
  @IsBoolean()
  hold?: boolean
}

/** Giving back everything that is held. */
export class GivingBack {
  /** When the students get it; at once where it is missing. */
  @IsMoment(() => words('bad.handins.time-not-time'))
  at?: Moment | null
}

/** Which hand-ins of an assignment are wanted. */
export class QueueQuery {
  @IsOptional()
  @IsIn(HAND_IN_STATES, { message: () => words('bad.handins.no-such-state') })
  state?: HandInState
}

/** Whose lines are wanted. */
export class LinesQuery {
  /** Address of the lane. */
  @IsString({ message: () => words('bad.handins.say-lane') })
  @MaxLength(160)
  lane!: string
}
