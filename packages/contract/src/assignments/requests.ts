// class-transformer's decorators look for it
import { words } from '@rudlo/words'
import 'reflect-metadata'
import { Type } from 'class-transformer'
import {
  ArrayMaxSize,
  ArrayMinSize,
  ArrayUnique,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsObject,
  IsOptional,
  Max,
  Min,
  ValidateNested,
} from 'class-validator'
import { AreIds, AsSent, IsId, IsMoment, IsRevision, IsWritten, type Moment } from '../fields'
import { MODEL_HEARD, type ModelHeard } from './answers'

/** Bytes of a request with a brief and mixes: room for two with as many points as there can be. */
export const WRITING_LIMIT = 3 * 1024 * 1024

/** What a teacher sets of an assignment. Documents are read by the core: brief and mixes. */
export class AssignmentSettings {
  @IsWritten(200, () => words('bad.assignments.assignment-needs-title'))
  title!: string

  /** A core `Brief`. */
  @AsSent()
  @IsObject({ message: () => words('bad.assignments.tasks-missing') })
  brief!: object

  @IsIn(MODEL_HEARD, { message: () => words('bad.assignments.say-when-model') })
  modelHeard!: ModelHeard

  /** Whether it is still written: students do not see it. */
  @IsOptional()
  @IsBoolean()
  draft?: boolean

  /** Before this the students do not see it; at once where it is null. */
  @IsMoment(() => words('bad.assignments.date-opens-not'))
  opensAt!: Moment | null

  @IsMoment(() => words('bad.assignments.due-date-not'))
  dueAt!: Moment | null

  /** How often a student may hand in; null for as often as they like. */
  @IsOptional()
  @IsInt({ message: () => words('bad.assignments.number-hand-ins-whole') })
  @Min(1, { message: () => words('bad.assignments.least-one-hand-in') })
  @Max(100, { message: () => words('bad.assignments.most-hand-ins-allowed') })
  handInLimit!: number | null
}

/** A new assignment of a group. */
export class NewAssignment extends AssignmentSettings {
  @IsId()
  group!: string

  @IsId()
  songVersion!: string

  /** A `rudlo-mix`. */
  @AsSent()
  @IsObject({ message: () => words('bad.assignments.starting-mix-missing') })
  startingMix!: object

  /** A `rudlo-mix`. */
  @AsSent()
  @IsOptional()
  @IsObject()
  model?: object | null
}

/** A change of an assignment. */
export class ChangedAssignment extends AssignmentSettings {
  /** The revision that this change follows. */
  @IsRevision()
  revision!: number

  /** A `rudlo-mix`. */
  @AsSent()
  @IsOptional()
  @IsObject()
  startingMix?: object

  /** Whether the other groups that it was given to get the change as well. */
  @IsOptional()
  @IsBoolean()
  everywhere?: boolean
}

/** The model of an assignment. */
export class ModelMix {
  /** A `rudlo-mix`. */
  @AsSent()
  @IsObject({ message: () => words('bad.assignments.mix-missing') })
  mix!: object
}

/** What hand-ins are marked by. */
export class ChangedRubric {
  /** A core `Rubric`. */
  @AsSent()
  @IsObject({ message: () => words('bad.assignments.rubric-missing') })
  rubric!: object
}

/** A brief to be tried out. */
export class BriefTrial {
  /** A core `Brief`. */
  @AsSent()
  @IsObject({ message: () => words('bad.assignments.tasks-missing') })
  brief!: object
}

/** More time or a simpler brief for one student; neither takes the exception away. */
export class StudentException {
  @IsMoment(() => words('bad.assignments.due-date-not'))
  dueAt!: Moment | null

  /** A core `Brief`. */
  @AsSent()
  @IsOptional()
  @IsObject()
  brief!: object | null
}

/** More time for some students. */
export class Extension {
  @IsArray()
  @ArrayMinSize(1, { message: () => words('bad.assignments.choose-students') })
  @ArrayMaxSize(500)
  @AreIds()
  students!: readonly string[]

  /** Their date; null for that of the assignment again. */
  @IsMoment(() => words('bad.assignments.due-date-not'))
  dueAt!: Moment | null
}

/** A group that gets an assignment as well, with its own due date. */
export class GroupAndDate {
  @IsId()
  group!: string

  @IsMoment(() => words('bad.assignments.due-date-not'))
  dueAt!: Moment | null
}

/** Groups that get an assignment as well. */
export class MoreGroups {
  @IsArray({ message: () => words('bad.assignments.say-classes') })
  @ArrayMinSize(1, { message: () => words('bad.assignments.say-classes') })
  @ArrayMaxSize(50, { message: () => words('bad.assignments.most-classes-once') })
  @ArrayUnique((g: GroupAndDate) => g.group, { message: () => words('bad.assignments.each-class-once') })
  @ValidateNested({ each: true })
  @Type(() => GroupAndDate)
  groups!: readonly GroupAndDate[]
}
